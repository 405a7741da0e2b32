/** Second-level boundaries and the volumes that they enclose. */
package yentra.core.boundary;
