package yentra.server.variants;

import static yentra.server.db.Tables.PROJECT_TARGET;
import static yentra.server.db.Tables.VARIANT;

import java.time.Clock;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.variant.Target;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Variants and targets of projects. */
@Repository
public class VariantStore {
  private static final int MOST_VARIANTS = 100;
  private static final int MOST_CHANGES = 30;
  private static final int MOST_TARGETS = 10;
  private static final int LONGEST = 120;

  private final DSLContext db;
  private final ProjectStore projects;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;

  VariantStore(
      DSLContext db, ProjectStore projects, JsonMapper json, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.projects = projects;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
  }

  /** A variant as it is kept. */
  public record Kept(UUID id, UUID project, VariantViews.VariantSpec spec) {
    /**
     * Its changes with those of its parts.
     *
     * @param all variants of the project
     */
    List<Taken> changes(Map<UUID, Kept> all) {
      List<Taken> out = new java.util.ArrayList<>();
      for (UUID part : spec.parts()) {
        Kept k = all.get(part);
        if (k != null) {
          k.spec.changes().forEach(c -> out.add(new Taken(c, part)));
        }
      }
      spec.changes().forEach(c -> out.add(new Taken(c, null)));
      return out;
    }
  }

  /** A change, and the variant that it was taken up from, or null. */
  record Taken(VariantViews.ChangeSpec spec, UUID from) {}

  /** Variants of a project, in order. */
  public Map<UUID, Kept> of(UUID project) {
    projects.get(project);
    Map<UUID, Kept> out = new LinkedHashMap<>();
    db.selectFrom(VARIANT)
        .where(VARIANT.PROJECT_ID.eq(project))
        .orderBy(VARIANT.PLACE, VARIANT.ID)
        .forEach(
            r ->
                out.put(
                    r.getId(),
                    new Kept(
                        r.getId(),
                        project,
                        json.readValue(r.getBody().data(), VariantViews.VariantSpec.class))));
    return out;
  }

  /** A variant. */
  public Kept one(UUID id) {
    return db.selectFrom(VARIANT)
        .where(VARIANT.ID.eq(id))
        .fetchOptional(
            r ->
                new Kept(
                    id,
                    r.getProjectId(),
                    json.readValue(r.getBody().data(), VariantViews.VariantSpec.class)))
        .orElseThrow(() -> Problem.notFound("The variant"));
  }

  /** The kind of a variant's first change; empty for a variant that is gone or changes nothing. */
  public Optional<String> kind(UUID id) {
    return db.select(VARIANT.BODY)
        .from(VARIANT)
        .where(VARIANT.ID.eq(id))
        .fetchOptional(VARIANT.BODY)
        .map(b -> json.readValue(b.data(), VariantViews.VariantSpec.class))
        .filter(v -> !v.changes().isEmpty())
        .map(v -> v.changes().get(0).change().getClass().getSimpleName());
  }

  @Transactional
  public UUID add(UUID project, VariantViews.VariantSpec spec, String by) {
    Map<UUID, Kept> all = of(project);
    if (all.size() >= MOST_VARIANTS) {
      throw Problem.notApplicable("A project has at most " + MOST_VARIANTS + " variants.");
    }
    UUID id = ids.get();
    VariantViews.VariantSpec checked = checked(id, spec, all);
    db.insertInto(VARIANT)
        .set(VARIANT.ID, id)
        .set(VARIANT.PROJECT_ID, project)
        .set(VARIANT.PLACE, all.size() == 0 ? 0 : last(project) + 1)
        .set(VARIANT.NAME, checked.name())
        .set(VARIANT.GROUP_NAME, checked.group())
        .set(VARIANT.BODY, JSONB.valueOf(json.writeValueAsString(checked)))
        .set(VARIANT.CHANGED_BY, by)
        .set(VARIANT.CHANGED_AT, clock.instant())
        .execute();
    return id;
  }

  private int last(UUID project) {
    return db.select(org.jooq.impl.DSL.max(VARIANT.PLACE))
        .from(VARIANT)
        .where(VARIANT.PROJECT_ID.eq(project))
        .fetchSingle()
        .value1();
  }

  @Transactional
  public void change(UUID id, VariantViews.VariantSpec spec, String by) {
    Kept old = one(id);
    VariantViews.VariantSpec checked = checked(id, spec, of(old.project));
    db.update(VARIANT)
        .set(VARIANT.NAME, checked.name())
        .set(VARIANT.GROUP_NAME, checked.group())
        .set(VARIANT.BODY, JSONB.valueOf(json.writeValueAsString(checked)))
        .set(VARIANT.CHANGED_BY, by)
        .set(VARIANT.CHANGED_AT, clock.instant())
        .where(VARIANT.ID.eq(id))
        .execute();
  }

  /** Takes a variant away; packages that took it up lose it only when nothing else uses it. */
  @Transactional
  public void delete(UUID id) {
    Kept old = one(id);
    of(old.project).values().stream()
        .filter(k -> k.spec.parts().contains(id))
        .findFirst()
        .ifPresent(
            k -> {
              throw Problem.notApplicable(
                  k.spec.name() + " takes this variant up: take it out there first.");
            });
    db.deleteFrom(VARIANT).where(VARIANT.ID.eq(id)).execute();
  }

  private static VariantViews.VariantSpec checked(
      UUID id, VariantViews.VariantSpec spec, Map<UUID, Kept> all) {
    String name = spec.name() == null ? "" : spec.name().replaceAll("\\p{Cntrl}", " ").strip();
    if (name.isEmpty() || name.length() > LONGEST || spec.group().length() > LONGEST) {
      throw Problem.bad("A variant needs a name of 1 to " + LONGEST + " characters.");
    }
    if (spec.changes().size() > MOST_CHANGES) {
      throw Problem.bad("A variant has at most " + MOST_CHANGES + " changes.");
    }
    if (all.values().stream().anyMatch(k -> !k.id.equals(id) && k.spec.name().equals(name))) {
      throw Problem.notApplicable("There is a variant called " + name + " already.");
    }
    for (VariantViews.ChangeSpec c : spec.changes()) {
      if (c == null || c.change() == null) {
        throw Problem.bad("A change says nothing.");
      }
      if (c.effort() != null && !(c.effort() >= 0 && Double.isFinite(c.effort()))) {
        throw Problem.bad("Effort is a number of 0 or more.");
      }
    }
    Set<String> groups = new HashSet<>();
    for (UUID part : spec.parts()) {
      Kept k = all.get(part);
      if (k == null || part.equals(id)) {
        throw Problem.bad("A variant takes up other variants of the project.");
      }
      if (!k.spec.parts().isEmpty()) {
        throw Problem.notApplicable(k.spec.name() + " takes up others itself.");
      }
      if (!k.spec.group().isEmpty() && !groups.add(k.spec.group())) {
        throw Problem.notApplicable(
            "Variants of the group " + k.spec.group() + " exclude each other.");
      }
    }
    boolean taken = all.values().stream().anyMatch(k -> k.spec.parts().contains(id));
    if (taken && !spec.parts().isEmpty()) {
      throw Problem.notApplicable("Others take this variant up: it cannot take up any itself.");
    }
    return new VariantViews.VariantSpec(name, spec.group(), spec.changes(), spec.parts());
  }

  /** Targets of a project. */
  public List<Target> targets(UUID project) {
    return db.select(PROJECT_TARGET.BODY)
        .from(PROJECT_TARGET)
        .where(PROJECT_TARGET.PROJECT_ID.eq(project))
        .fetchOptional(PROJECT_TARGET.BODY)
        .map(b -> json.readValue(b.data(), VariantViews.TargetsSpec.class))
        .map(VariantStore::targets)
        .orElse(List.of());
  }

  private static List<Target> targets(VariantViews.TargetsSpec spec) {
    try {
      return spec.targets().stream().map(t -> new Target(t.metric(), t.most(), t.below())).toList();
    } catch (IllegalArgumentException e) {
      throw Problem.bad(e.getMessage());
    }
  }

  @Transactional
  public void targets(UUID project, VariantViews.TargetsSpec spec, String by) {
    projects.get(project);
    if (targets(spec).size() > MOST_TARGETS) {
      throw Problem.bad("A project has at most " + MOST_TARGETS + " targets.");
    }
    JSONB body = JSONB.valueOf(json.writeValueAsString(spec));
    db.insertInto(PROJECT_TARGET)
        .set(PROJECT_TARGET.PROJECT_ID, project)
        .set(PROJECT_TARGET.BODY, body)
        .set(PROJECT_TARGET.CHANGED_BY, by)
        .set(PROJECT_TARGET.CHANGED_AT, clock.instant())
        .onConflict(PROJECT_TARGET.PROJECT_ID)
        .doUpdate()
        .set(PROJECT_TARGET.BODY, body)
        .set(PROJECT_TARGET.CHANGED_BY, by)
        .set(PROJECT_TARGET.CHANGED_AT, clock.instant())
        .execute();
  }

  /** Changes whenever variants or targets of a project do. */
  long version(UUID project) {
    var variants =
        db.select(org.jooq.impl.DSL.max(VARIANT.CHANGED_AT), org.jooq.impl.DSL.count())
            .from(VARIANT)
            .where(VARIANT.PROJECT_ID.eq(project))
            .fetchSingle();
    var targets =
        db.select(PROJECT_TARGET.CHANGED_AT)
            .from(PROJECT_TARGET)
            .where(PROJECT_TARGET.PROJECT_ID.eq(project))
            .fetchOptional(PROJECT_TARGET.CHANGED_AT);
    return java.util.Objects.hash(variants.value1(), variants.value2(), targets.orElse(null));
  }
}
