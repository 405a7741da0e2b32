package yentra.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The core's packages depend only on those below them, and on no framework. */
@AnalyzeClasses(packages = "yentra.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
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
          .layer("boundary")
          .definedBy("yentra.core.boundary..")
          .layer("ifc")
          .definedBy("yentra.core.ifc..")
          .layer("gbxml")
          .definedBy("yentra.core.gbxml..")
          .layer("intake")
          .definedBy("yentra.core.intake..")
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
          .whereLayer("units")
          .mayNotAccessAnyLayer()
          .whereLayer("geometry")
          .mayOnlyAccessLayers("units")
          .whereLayer("envelope")
          .mayOnlyAccessLayers("units", "geometry")
          .whereLayer("model")
          .mayOnlyAccessLayers("geometry", "envelope")
          .whereLayer("step")
          .mayOnlyAccessLayers("envelope")
          .whereLayer("boundary")
          .mayOnlyAccessLayers("units", "geometry", "envelope")
          .whereLayer("thermal")
          .mayOnlyAccessLayers("units", "geometry", "envelope")
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
          .mayOnlyAccessLayers("geometry", "envelope", "model", "table")
          .whereLayer("intake")
          .mayOnlyAccessLayers(
              "geometry", "envelope", "boundary", "model", "gbxml", "ifc", "thermal")
          .whereLayer("check")
          .mayOnlyAccessLayers(
              "units", "geometry", "envelope", "model", "scope", "boundary", "thermal", "gbxml")
          .whereLayer("repair")
          .mayOnlyAccessLayers(
              "units", "geometry", "envelope", "boundary", "check", "thermal", "library")
          .whereLayer("revision")
          .mayOnlyAccessLayers("geometry", "envelope", "boundary", "check", "repair")
          .whereLayer("bcf")
          .mayOnlyAccessLayers("geometry", "envelope")
          .whereLayer("exchange")
          .mayOnlyAccessLayers(
              "geometry",
              "envelope",
              "boundary",
              "gbxml",
              "table",
              "library",
              "check",
              "thermal",
              "repair");
}
