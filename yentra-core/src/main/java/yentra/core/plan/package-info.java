/**
 * Buildings that are drawn: a {@link yentra.core.plan.PlanDocument} says storeys, outlines, lines,
 * roofs and rules; {@link yentra.core.plan.PlanEnvelope} makes an envelope of it.
 *
 * <p>Which class for what: {@link yentra.core.plan.PlanReader} and {@link
 * yentra.core.plan.PlanWriter} are the document as JSON; {@code Arrangement} makes the faces of a
 * floor, {@code Wavefront} what lies how far from which side of an outline (perimeter bands, hipped
 * roofs), {@code RoofShape} roofs; {@code Stacking} puts volumes on each other, {@code Walls} and
 * {@code Slabs} find what they have in common and what is left; {@code Glazing} and {@code
 * ShadeRules} are the rules for openings and shading.
 */
package yentra.core.plan;
