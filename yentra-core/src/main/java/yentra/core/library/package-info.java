/** Libraries of materials, constructions, window types and frames; reading, comparing, merging. */
package yentra.core.library;
