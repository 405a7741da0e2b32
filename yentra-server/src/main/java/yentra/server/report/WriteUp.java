package yentra.server.report;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.UUID;
import yentra.core.exchange.UnitSystem;
import yentra.core.variant.Metric;

/**
 * What stands in a report or a write-up, in order.
 *
 * @param title on its first page
 * @param paper it is printed on
 * @param units of its figures; null for those of the project
 */
public record WriteUp(String title, Paper paper, UnitSystem units, List<Block> blocks) {
  /** Sizes of paper. */
  public enum Paper {
    A4("A4"),
    LETTER("letter");

    private final String css;

    Paper(String css) {
      this.css = css;
    }

    String css() {
      return css;
    }
  }

  public WriteUp {
    title = title == null ? "" : title.strip();
    paper = paper == null ? Paper.A4 : paper;
    blocks = blocks == null ? List.of() : List.copyOf(blocks);
  }

  /** One part of it. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Chapter.class, name = "chapter"),
    @JsonSubTypes.Type(value = Words.class, name = "text"),
    @JsonSubTypes.Type(value = Picture.class, name = "picture"),
    @JsonSubTypes.Type(value = Measure.class, name = "measure"),
    @JsonSubTypes.Type(value = Comparison.class, name = "comparison"),
    @JsonSubTypes.Type(value = SweepCurve.class, name = "sweep")
  })
  public sealed interface Block permits Chapter, Words, Picture, Measure, Comparison, SweepCurve {}

  /** A chapter of the project report. */
  public record Chapter(ReportChapter chapter) implements Block {}

  /** A heading and text of the person's. */
  public record Words(String heading, String text) implements Block {
    public Words {
      heading = heading == null ? "" : heading.strip();
      text = text == null ? "" : text;
    }
  }

  /** A picture that was taken of the model. */
  public record Picture(UUID picture, String caption) implements Block {
    public Picture {
      caption = caption == null ? "" : caption.strip();
    }
  }

  /** A variant: what it changes, what that comes to, and the person's text about it. */
  public record Measure(UUID variant, String text) implements Block {
    public Measure {
      text = text == null ? "" : text;
    }
  }

  /**
   * Variants side by side.
   *
   * @param variants which; of all that have been run, where none is named
   */
  public record Comparison(List<UUID> variants) implements Block {
    public Comparison {
      variants = variants == null ? List.of() : List.copyOf(variants);
    }
  }

  /** A sweep, as a curve or a map. */
  public record SweepCurve(UUID sweep, Metric metric) implements Block {}
}
