/**
 * JSON documents whose values know where they stand, so that what is wrong is said with path and
 * place.
 */
package yentra.core.json;
