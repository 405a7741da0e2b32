package yentra.core.scope;

/** What a person decided about one element, with the reason. */
public record HandDecision(boolean in, String reason) {}
