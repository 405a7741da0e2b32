package yentra.server.findings;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Elsewhere;

/** What the checks are: all that the page knows of them. */
@RestController
public class CheckCatalogueController {
  /**
   * @param workspace where its findings belong, in lower case
   * @param compared what stands between a measured value and its limit
   * @param elsewhere where its findings are answered when no repair answers them
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record CheckView(
      String code,
      String finds,
      String method,
      String why,
      String workspace,
      String compared,
      @Schema(nullable = true) ElsewhereView elsewhere) {
    static CheckView of(Descriptor d) {
      Elsewhere e = d.elsewhere();
      return new CheckView(
          d.code(),
          d.finds(),
          d.method(),
          d.why(),
          lower(d.workspace()),
          d.compared(),
          e == null ? null : new ElsewhereView(e.label(), lower(e.workspace()), e.table()));
    }
  }

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ElsewhereView(String label, String workspace, @Schema(nullable = true) String table) {}

  private static String lower(Enum<?> e) {
    return e.name().toLowerCase(Locale.ROOT);
  }

  @GetMapping("/api/checks")
  List<CheckView> checks() {
    return CheckCatalogue.descriptors().stream().map(CheckView::of).toList();
  }
}
