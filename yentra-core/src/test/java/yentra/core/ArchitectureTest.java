package yentra.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.HashSet;
import java.util.Set;
import yentra.core.check.rule.Check;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.repair.Repair;
import yentra.core.repair.kinds.RepairKinds;

/** The core's packages depend only on those below them, and on no framework. */
@AnalyzeClasses(packages = "yentra.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  private static final String[] FAMILIES = {
    "yentra.core.check.geometry",
    "yentra.core.check.space",
    "yentra.core.check.adjacency",
    "yentra.core.check.opening",
    "yentra.core.check.thermal",
    "yentra.core.check.use",
    "yentra.core.check.place",
    "yentra.core.check.source"
  };

  @ArchTest
  static final ArchRule noFramework =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.springframework..", "org.jooq..", "jakarta..", "java.sql..");

  @ArchTest
  static final ArchRule arrows =
      layeredArchitecture()
          .consideringOnlyDependenciesInAnyPackage("yentra.core..")
          .layer("units")
          .definedBy("yentra.core.units..")
          .layer("work")
          .definedBy("yentra.core.work..")
          .layer("geometry")
          .definedBy("yentra.core.geometry..")
          .layer("envelope")
          .definedBy("yentra.core.envelope..")
          .layer("model")
          .definedBy("yentra.core.model..")
          .layer("step")
          .definedBy("yentra.core.step..")
          .layer("scope")
          .definedBy("yentra.core.scope..")
          .layer("table")
          .definedBy("yentra.core.table..")
          .layer("library")
          .definedBy("yentra.core.library..")
          .layer("thermal")
          .definedBy("yentra.core.thermal..")
          .layer("solar")
          .definedBy("yentra.core.solar..")
          .layer("climate")
          .definedBy("yentra.core.climate..")
          .layer("json")
          .definedBy("yentra.core.json..")
          .layer("junction")
          .definedBy("yentra.core.junction..")
          .layer("estimate")
          .definedBy("yentra.core.estimate..")
          .layer("boundary")
          .definedBy("yentra.core.boundary..")
          .layer("ifc")
          .definedBy("yentra.core.ifc..")
          .layer("plan")
          .definedBy("yentra.core.plan..")
          .layer("gbxml")
          .definedBy("yentra.core.gbxml..")
          .layer("intake")
          .definedBy("yentra.core.intake..")
          .layer("finding")
          .definedBy("yentra.core.finding..")
          .layer("check")
          .definedBy("yentra.core.check..")
          .layer("repair")
          .definedBy("yentra.core.repair..")
          .layer("revision")
          .definedBy("yentra.core.revision..")
          .layer("bcf")
          .definedBy("yentra.core.bcf..")
          .layer("exchange")
          .definedBy("yentra.core.exchange..")
          .layer("pipeline")
          .definedBy("yentra.core.pipeline..")
          .whereLayer("pipeline")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("units")
          .mayNotAccessAnyLayer()
          .whereLayer("work")
          .mayNotAccessAnyLayer()
          .whereLayer("geometry")
          .mayOnlyAccessLayers("units")
          .whereLayer("envelope")
          .mayOnlyAccessLayers("units", "geometry")
          .whereLayer("model")
          .mayOnlyAccessLayers("units", "geometry", "envelope")
          .whereLayer("step")
          .mayOnlyAccessLayers("envelope")
          .whereLayer("boundary")
          .mayOnlyAccessLayers("units", "geometry", "envelope")
          .whereLayer("thermal")
          .mayOnlyAccessLayers("units", "geometry", "envelope")
          .whereLayer("json")
          .mayOnlyAccessLayers("envelope")
          .whereLayer("junction")
          .mayOnlyAccessLayers("geometry", "envelope", "thermal")
          .whereLayer("estimate")
          .mayOnlyAccessLayers(
              "geometry",
              "envelope",
              "boundary",
              "thermal",
              "library",
              "json",
              "solar",
              "climate",
              "junction",
              "check",
              "repair")
          .whereLayer("solar")
          .mayOnlyAccessLayers("geometry")
          .whereLayer("climate")
          .mayOnlyAccessLayers("envelope", "solar")
          .whereLayer("plan")
          .mayOnlyAccessLayers("geometry", "envelope", "json")
          .whereLayer("gbxml")
          .mayOnlyAccessLayers("units", "geometry", "envelope", "thermal")
          .whereLayer("ifc")
          .mayOnlyAccessLayers(
              "units", "geometry", "envelope", "model", "scope", "step", "boundary", "library")
          .whereLayer("table")
          .mayNotAccessAnyLayer()
          .whereLayer("library")
          .mayOnlyAccessLayers("units", "geometry", "envelope", "table", "thermal", "gbxml")
          .whereLayer("scope")
          .mayOnlyAccessLayers("units", "geometry", "envelope", "model", "table")
          .whereLayer("intake")
          .mayOnlyAccessLayers(
              "geometry", "envelope", "boundary", "model", "gbxml", "ifc", "plan", "thermal")
          .whereLayer("finding")
          .mayOnlyAccessLayers("geometry", "envelope")
          .whereLayer("repair")
          .mayOnlyAccessLayers(
              "units", "geometry", "envelope", "boundary", "finding", "thermal", "library")
          .whereLayer("check")
          .mayOnlyAccessLayers(
              "units",
              "work",
              "geometry",
              "envelope",
              "model",
              "scope",
              "boundary",
              "thermal",
              "gbxml",
              "finding",
              "repair",
              "library")
          .whereLayer("revision")
          .mayOnlyAccessLayers(
              "geometry", "envelope", "boundary", "finding", "check", "repair", "library")
          .whereLayer("bcf")
          .mayOnlyAccessLayers("geometry", "envelope")
          .whereLayer("exchange")
          .mayOnlyAccessLayers(
              "units",
              "geometry",
              "envelope",
              "model",
              "boundary",
              "gbxml",
              "ifc",
              "table",
              "library",
              "finding",
              "check",
              "thermal",
              "junction",
              "repair");

  /** What a check is made of, its families, which know nothing of each other, and the run. */
  @ArchTest
  static final ArchRule insideCheck =
      layeredArchitecture()
          .consideringOnlyDependenciesInAnyPackage("yentra.core.check..")
          .layer("measure")
          .definedBy("yentra.core.check.measure")
          .layer("increment")
          .definedBy("yentra.core.check.increment")
          .layer("rule")
          .definedBy("yentra.core.check.rule")
          .layer("proposal")
          .definedBy("yentra.core.check.proposal")
          .layer("families")
          .definedBy(FAMILIES)
          .layer("run")
          .definedBy("yentra.core.check.run")
          .layer("mend")
          .definedBy("yentra.core.check.mend")
          .whereLayer("mend")
          .mayOnlyAccessLayers("measure", "rule", "run")
          .whereLayer("measure")
          .mayNotAccessAnyLayer()
          .whereLayer("increment")
          .mayOnlyAccessLayers("measure")
          .whereLayer("rule")
          .mayOnlyAccessLayers("measure")
          .whereLayer("proposal")
          .mayOnlyAccessLayers("measure", "rule")
          .whereLayer("families")
          .mayOnlyAccessLayers("measure", "rule", "proposal")
          .whereLayer("run")
          .mayOnlyAccessLayers("measure", "increment", "rule");

  /** Repairs by what they change know what all of them share; the list of kinds knows all. */
  @ArchTest
  static final ArchRule insideRepair =
      layeredArchitecture()
          .consideringOnlyDependenciesInAnyPackage("yentra.core.repair..")
          .layer("shared")
          .definedBy("yentra.core.repair")
          .layer("geometry")
          .definedBy(
              "yentra.core.repair.surface",
              "yentra.core.repair.space",
              "yentra.core.repair.opening")
          .layer("construction")
          .definedBy("yentra.core.repair.construction")
          .layer("use")
          .definedBy("yentra.core.repair.use")
          .layer("delivery")
          .definedBy("yentra.core.repair.delivery")
          .layer("kinds")
          .definedBy("yentra.core.repair.kinds")
          .whereLayer("shared")
          .mayNotAccessAnyLayer()
          .whereLayer("geometry")
          .mayOnlyAccessLayers("shared")
          .whereLayer("construction")
          .mayOnlyAccessLayers("shared")
          .whereLayer("use")
          .mayOnlyAccessLayers("shared", "construction")
          .whereLayer("delivery")
          .mayOnlyAccessLayers("shared", "use")
          .whereLayer("kinds")
          .mayNotBeAccessedByAnyLayer();

  @ArchTest
  static final ArchRule noCycleOfPackages =
      slices().matching("yentra.core.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule noCycleInCheck =
      slices().matching("yentra.core.check.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule noCycleInRepair =
      slices().matching("yentra.core.repair.(*)..").should().beFreeOfCycles();

  /** A kind that the list does not know could be made, but not read back from a log. */
  @ArchTest
  static void everyKindOfRepairIsListed(JavaClasses classes) {
    Set<Class<?>> listed = new HashSet<>();
    for (JsonSubTypes.Type t : RepairKinds.class.getAnnotation(JsonSubTypes.class).value()) {
      listed.add(t.value());
    }
    assertThat(
            classes.stream()
                .filter(c -> c.isAssignableTo(Repair.class) && !c.isInterface())
                .map(JavaClass::reflect))
        .containsExactlyInAnyOrderElementsOf(listed);
  }

  /** A check that does not name itself as one would never run. */
  @ArchTest
  static void everyCheckIsInTheCatalogue(JavaClasses classes) {
    long checks =
        classes.stream().filter(c -> c.isAssignableTo(Check.class) && !c.isInterface()).count();
    assertThat(CheckCatalogue.descriptors()).hasSize((int) checks);
  }
}
