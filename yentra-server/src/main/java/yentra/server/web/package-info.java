/**
 * What every request passes: guards, errors as sentences, JSON, the description of the API. Knows
 * no resource.
 */
package yentra.server.web;
