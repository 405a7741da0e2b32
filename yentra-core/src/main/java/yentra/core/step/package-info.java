/** ISO 10303-21 exchange structures: scanning, indexing and parsing on demand. */
package yentra.core.step;
