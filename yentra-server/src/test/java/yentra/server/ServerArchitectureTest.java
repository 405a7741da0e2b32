package yentra.server;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** SQL goes through jOOQ, and controllers leave it to the services and stores. */
@AnalyzeClasses(packages = "yentra.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ServerArchitectureTest {
  @ArchTest
  static final ArchRule sqlThroughJooq =
      noClasses()
          .should()
          .dependOnClassesThat(
              // what a database's failure is told by is no SQL
              resideInAnyPackage("java.sql..", "org.springframework.jdbc..")
                  .and(not(assignableTo(java.sql.SQLException.class))));

  @ArchTest
  static final ArchRule controllersAreThin =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("Controller")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.jooq..", "yentra.server.db..");

  @ArchTest
  static final ArchRule viewsAreData =
      classes()
          .that()
          .areNestedClasses()
          .and()
          .haveSimpleNameEndingWith("View")
          .should()
          .beRecords();

  /** Rooms by resource: what is said of a thing, and who keeps it, stand together. */
  @ArchTest
  static final ArchRule noCycleOfRooms =
      slices().matching("yentra.server.(*)..").should().beFreeOfCycles();

  /** What all use knows nobody. */
  @ArchTest
  static final ArchRule webKnowsNoResource =
      noClasses()
          .that()
          .resideInAPackage("yentra.server.web..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "yentra.server.projects..",
              "yentra.server.deliveries..",
              "yentra.server.decisions..",
              "yentra.server.envelope..",
              "yentra.server.findings..",
              "yentra.server.scope..",
              "yentra.server.thermal..",
              "yentra.server.revisions..",
              "yentra.server.handover..",
              "yentra.server.plans..",
              "yentra.server.estimate..",
              "yentra.server.intake..");
}
