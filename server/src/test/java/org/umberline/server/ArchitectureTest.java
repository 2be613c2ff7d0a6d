package org.umberline.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import jakarta.persistence.Entity;

@AnalyzeClasses(packages = "org.umberline", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule coreKnowsNeitherFilesNorServer =
      noClasses()
          .that()
          .resideInAPackage("org.umberline.core..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.umberline.tankfile..", "org.umberline.server..");

  @ArchTest
  static final ArchRule tankFileKnowsNoServer =
      noClasses()
          .that()
          .resideInAPackage("org.umberline.tankfile..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("org.umberline.server..");

  @ArchTest
  static final ArchRule entitiesStayWithTheirSubject =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("Views")
          .or()
          .haveSimpleNameEndingWith("Requests")
          .should()
          .dependOnClassesThat()
          .areAnnotatedWith(Entity.class);

  @ArchTest
  static final ArchRule nothingSentOrTakenIsKept =
      noClasses()
          .that()
          .areAnnotatedWith(Entity.class)
          .should()
          .dependOnClassesThat()
          .haveNameMatching(".*(Views|Requests)(\\$.*)?");

  @ArchTest
  static final ArchRule noCyclesBetweenPackages =
      slices().matching("org.umberline.(**)").should().beFreeOfCycles();
}
