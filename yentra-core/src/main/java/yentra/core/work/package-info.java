/** Work that several threads share. Knows nothing of geometry or buildings. */
package yentra.core.work;
