package yentra.server.intake;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;

/** What is said of files that come in. */
public final class IntakeViews {
  private IntakeViews() {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record JobView(
      UUID id,
      UUID projectId,
      String fileName,
      long size,
      String state,
      double progress,
      String message,
      int line,
      int column,
      @Schema(nullable = true) UUID deliveryId) {}
}
