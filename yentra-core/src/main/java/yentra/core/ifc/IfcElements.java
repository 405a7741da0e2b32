package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.SourceRef;
import yentra.core.model.Element;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/** Reads what a model's elements are: names, types, storey, whole, layer. */
final class IfcElements {
  private final StepFile file;
  private final IfcSchema schema;
  private final IfcRelations relations;
  private final Map<Integer, String> storeyNames = new HashMap<>();
  private final Set<String> taken = new HashSet<>();

  IfcElements(StepFile file, IfcSchema schema, IfcRelations relations) {
    this.file = file;
    this.schema = schema;
    this.relations = relations;
    for (int s : file.ofType("IFCBUILDINGSTOREY")) {
      StepInstance i = file.get(s);
      storeyNames.put(s, i == null ? "" : i.text(2));
    }
  }

  static SourceRef source(StepFile file, IfcSchema schema, StepInstance i) {
    int[] place = file.place(i.id());
    return new SourceRef(schema.proper(i.type()), i.text(0), i.text(2), place[0], place[1]);
  }

  List<Element> read(String... kinds) {
    Map<String, Boolean> wanted = new HashMap<>();
    List<Element> out = new ArrayList<>();
    file.all()
        .filter(n -> wanted.computeIfAbsent(file.type(n), t -> schema.is(t, kinds)))
        .forEach(
            n -> {
              StepInstance i = file.get(n);
              if (i != null) {
                String id = i.text(0);
                String key = id.isEmpty() || !taken.add(id) ? "#" + n : id;
                out.add(element(i, key));
              }
            });
    return List.copyOf(out);
  }

  private Element element(StepInstance i, String key) {
    int type = relations.type.get(i.id());
    StepInstance typeObject = type == 0 ? null : file.get(type);
    int up = up(i.id());
    return new Element(
        key,
        i.id(),
        schema.proper(i.type()),
        predefined(i, typeObject),
        i.text(2),
        i.text(schema.index(i.type(), "LongName")),
        i.text(3),
        i.text(schema.index(i.type(), "ObjectType")),
        i.text(schema.index(i.type(), "Tag")),
        typeObject == null ? "" : typeObject.text(2),
        storey(i.id()),
        up == 0 ? "" : keyOf(up),
        layer(i),
        source(file, schema, i));
  }

  private String keyOf(int number) {
    StepInstance p = file.get(number);
    return p == null || p.text(0).isEmpty() ? "#" + number : p.text(0);
  }

  private String predefined(StepInstance i, StepInstance type) {
    String own = i.enumeration(schema.index(i.type(), "PredefinedType"));
    if (own.isEmpty() || own.equals("NOTDEFINED")) {
      String of = type == null ? "" : type.enumeration(schema.index(type.type(), "PredefinedType"));
      own = of.isEmpty() ? own : of;
      if (of.equals("USERDEFINED")) {
        String word = type.text(schema.index(type.type(), "ElementType"));
        return word.isEmpty() ? of : word;
      }
    }
    String word = i.text(schema.index(i.type(), "ObjectType"));
    return own.equals("USERDEFINED") && !word.isEmpty() ? word : own;
  }

  private String storey(int number) {
    int at = number;
    for (int depth = 0; depth < 40 && at != 0; depth++) {
      String name = storeyNames.get(at);
      if (name != null) {
        return name;
      }
      at = up(at);
    }
    return "";
  }

  private String layer(StepInstance i) {
    StepInstance shape = file.get(i.ref(schema.index(i.type(), "Representation")));
    if (shape == null || relations.layer.size() == 0) {
      return "";
    }
    for (int r : shape.refs(2)) {
      int l = relations.layer.get(r);
      StepInstance rep = l == 0 ? file.get(r) : null;
      if (rep != null) {
        for (int item : rep.refs(3)) {
          l = l == 0 ? relations.layer.get(item) : l;
        }
      }
      StepInstance layer = l == 0 ? null : file.get(l);
      if (layer != null) {
        return layer.text(0);
      }
    }
    return "";
  }

  /** What an instance is part of, contained in, fills or is cut from; 0 when nothing. */
  private int up(int at) {
    int[] ways = {
      relations.whole.get(at),
      relations.container.get(at),
      relations.filled.get(at),
      relations.host.get(at)
    };
    for (int w : ways) {
      if (w != 0) {
        return w;
      }
    }
    return 0;
  }
}
