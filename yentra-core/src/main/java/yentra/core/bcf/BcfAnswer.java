package yentra.core.bcf;

import java.util.List;

/**
 * What a BCF file says of a topic.
 *
 * @param guid lower case
 * @param status as written, or empty
 */
public record BcfAnswer(
    String guid, String title, String status, List<String> labels, List<Comment> comments) {
  public BcfAnswer {
    labels = List.copyOf(labels);
    comments = List.copyOf(comments);
  }

  /**
   * @param date as written
   */
  public record Comment(String date, String author, String text) {}
}
