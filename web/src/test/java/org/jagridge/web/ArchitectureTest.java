package org.jagridge.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** Which room of the application may know which. */
public class ArchitectureTest {
    private final JavaClasses web = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.jagridge.web");

    @Test
    public void onlyRepositoriesSpeakToTheDatabase() {
        noClasses()
                .that()
                .haveSimpleNameNotEndingWith("Repository")
                .and()
                .resideOutsideOfPackage("..web.config..")
                .and()
                // sees to the database as a whole
                .resideOutsideOfPackage("..web.data..")
                .and()
                // a repository of so few rows that it goes by their name
                .doNotHaveSimpleName("Settings")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework.jdbc..", "java.sql..", "javax.sql..")
                .check(web);
    }

    @Test
    public void noRoomIsReachedByItsController() {
        classes()
                .that()
                .haveSimpleNameEndingWith("Controller")
                .should()
                .onlyHaveDependentClassesThat()
                .haveNameMatching(".*(Controller(\\$.*)?|Errors)")
                .check(web);
    }

    @Test
    public void whatIsDrawnKnowsNoPageAndNoDatabase() {
        noClasses()
                .that()
                .resideInAPackage("..web.svg..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework.web..",
                        "org.springframework.jdbc..",
                        "..web.bench..",
                        "..web.records..",
                        "..web.edit..")
                .check(web);
    }

    @Test
    public void circuitsAreKnownToTheScreensAndNotTheOtherWayRound() {
        noClasses()
                .that()
                .resideInAPackage("..web.circuits..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "..web.bench..",
                        "..web.records..",
                        "..web.edit..",
                        "..web.sequence..",
                        "..web.check..",
                        "..web.site..",
                        "..web.api..")
                .check(web);
    }
}
