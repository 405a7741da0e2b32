package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.step.StepFile;
import yentra.core.step.StepParameters;

/** Instances of the trimmed file that are not those of the original: changed ones, and new ones. */
final class TrimmedText {
  private final StepFile file;
  private final Map<Integer, String> rewritten = new HashMap<>();
  private final List<String> added = new ArrayList<>();
  private int next;

  TrimmedText(StepFile file) {
    this.file = file;
    this.next = file.all().max().orElse(0) + 1;
  }

  /** The text of a changed instance, or null. */
  String of(int id) {
    return rewritten.get(id);
  }

  /** The first number that is free. */
  int next() {
    return next;
  }

  List<String> added() {
    return added;
  }

  static String refs(List<Integer> ids) {
    StringBuilder b = new StringBuilder("(");
    ids.forEach(i -> b.append(b.length() > 1 ? "," : "").append('#').append(i));
    return b.append(')').toString();
  }

  /** The instance's text with some parameters replaced. */
  void rewrite(int id, Map<Integer, String> parameters) {
    StringBuilder b =
        new StringBuilder("#").append(id).append('=').append(file.type(id)).append('(');
    file.visit(
        id,
        new StepParameters() {
          @Override
          public void parameter(int index, Kind kind, StepFile.Slice slice) {
            String other = parameters.get(index);
            b.append(index == 0 ? "" : ",")
                .append(other != null ? other : slice.toString().strip());
          }
        });
    rewritten.put(id, b.append(");").toString());
  }

  /** Adds an instance and returns its number. */
  int add(String text) {
    added.add("#" + next + "=" + text + ";");
    return next++;
  }

  /** An owner history of the file; optional since IFC4. */
  String anyOwner() {
    int[] owners = file.ofType("IFCOWNERHISTORY");
    return owners.length == 0 ? "$" : "#" + owners[0];
  }

  /** Adds the relation of elements to a property set. */
  void defines(String seed, List<Integer> elements, int set) {
    add(
        "IFCRELDEFINESBYPROPERTIES('"
            + MadeGlobalId.of(seed)
            + "',"
            + anyOwner()
            + ",$,$,"
            + refs(elements)
            + ",#"
            + set
            + ")");
  }
}
