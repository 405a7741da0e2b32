package yentra.server.report;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.swagger.v3.oas.annotations.media.Schema;
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
public record WriteUp(
    String title, Paper paper, @Schema(nullable = true) UnitSystem units, List<Block> blocks) {
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
    @JsonSubTypes.Type(value = ChapterBlock.class, name = "ChapterBlock"),
    @JsonSubTypes.Type(value = TextBlock.class, name = "TextBlock"),
    @JsonSubTypes.Type(value = PictureBlock.class, name = "PictureBlock"),
    @JsonSubTypes.Type(value = MeasureBlock.class, name = "MeasureBlock"),
    @JsonSubTypes.Type(value = ComparisonBlock.class, name = "ComparisonBlock"),
    @JsonSubTypes.Type(value = SweepBlock.class, name = "SweepBlock")
  })
  public sealed interface Block
      permits ChapterBlock, TextBlock, PictureBlock, MeasureBlock, ComparisonBlock, SweepBlock {}

  /** A chapter of the project report. */
  public record ChapterBlock(ReportChapter chapter) implements Block {}

  /** A heading and text of the person's. */
  public record TextBlock(String heading, String text) implements Block {
    public TextBlock {
      heading = heading == null ? "" : heading.strip();
      text = text == null ? "" : text;
    }
  }

  /** A picture that was taken of the model. */
  public record PictureBlock(UUID picture, String caption) implements Block {
    public PictureBlock {
      caption = caption == null ? "" : caption.strip();
    }
  }

  /** A variant: what it changes, what that comes to, and the person's text about it. */
  public record MeasureBlock(UUID variant, String text) implements Block {
    public MeasureBlock {
      text = text == null ? "" : text;
    }
  }

  /**
   * Variants side by side.
   *
   * @param variants which; of all that have been run, where none is named
   */
  public record ComparisonBlock(List<UUID> variants) implements Block {
    public ComparisonBlock {
      variants = variants == null ? List.of() : List.copyOf(variants);
    }
  }

  /** A sweep, as a curve or a map. */
  public record SweepBlock(UUID sweep, Metric metric) implements Block {}
}
