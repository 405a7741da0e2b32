/** gbXML, read and written without loss. */
package yentra.core.gbxml;
