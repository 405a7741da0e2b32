package yentra.core.check;

import java.util.List;

/**
 * What a check is.
 *
 * @param code stable code of the catalogue
 * @param finds what it finds, a phrase
 * @param method how it measures, a sentence or two
 * @param why why it matters to a simulation, one sentence
 */
public record Descriptor(
    String code, Severity severity, String finds, String method, String why, List<Limit> limits) {
  public Descriptor {
    limits = List.copyOf(limits);
  }
}
