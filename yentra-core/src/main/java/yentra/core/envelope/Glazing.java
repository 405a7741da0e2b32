package yentra.core.envelope;

/**
 * A window type.
 *
 * @param uValue W/(m²K), or null when not stated
 * @param extras everything else of the delivered window type
 */
public record Glazing(String key, String name, Double uValue, SourceRef source, Extras extras) {}
