/** How one delivery stands to the next: what changed, and which repairs still hold. */
package yentra.core.revision;
