/**
 * What a change would do: a variant is a baseline (a state of a delivery with the settings of its
 * estimate) plus a short list of changes (package {@code change}), each of which comes to repairs
 * and settings that exist. {@link yentra.core.variant.Variant} is one, {@link
 * yentra.core.variant.VariantFigures} what it comes to, {@link yentra.core.variant.Sweep} varies
 * its quantities, {@link yentra.core.variant.Target} says whether it is good enough.
 */
package yentra.core.variant;
