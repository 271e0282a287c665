package org.jagridge.core;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import org.testng.annotations.Test;

/** The packages are the pipeline; arrows go one way. */
public class ArchitectureTest {
    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.jagridge.core");

    @Test
    public void packagesUseOnlyWhatComesBeforeThem() {
        layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("circuit")
                .definedBy("..core.circuit..")
                .layer("network")
                .definedBy("..core.network..")
                .layer("part")
                .definedBy("..core.part..")
                .layer("run")
                .definedBy("..core.run..")
                .layer("trace")
                .definedBy("..core.trace..")
                .layer("meter")
                .definedBy("..core.meter..")
                .layer("drawing")
                .definedBy("..core.drawing..")
                .layer("format")
                .definedBy("..core.format..")
                .layer("check")
                .definedBy("..core.check..")
                .layer("found")
                .definedBy("..core.found..")
                .layer("edit")
                .definedBy("..core.edit..")
                .whereLayer("circuit")
                .mayNotAccessAnyLayer()
                .whereLayer("network")
                .mayNotAccessAnyLayer()
                .whereLayer("part")
                .mayOnlyAccessLayers("circuit", "network")
                .whereLayer("run")
                .mayOnlyAccessLayers("circuit", "network", "part")
                .whereLayer("trace")
                .mayOnlyAccessLayers("circuit", "part", "run")
                .whereLayer("meter")
                .mayOnlyAccessLayers("circuit", "network", "part", "run")
                .whereLayer("drawing")
                .mayOnlyAccessLayers("circuit", "part", "run", "trace")
                .whereLayer("check")
                .mayOnlyAccessLayers("circuit", "network", "part", "run")
                .whereLayer("format")
                .mayOnlyAccessLayers("circuit", "part", "run")
                .whereLayer("found")
                .mayOnlyAccessLayers("circuit", "part", "format")
                .whereLayer("edit")
                .mayOnlyAccessLayers("circuit", "part", "format", "found")
                .check(classes);
    }

    @Test
    public void noPackageCycles() {
        slices().matching("org.jagridge.core.(*)..").should().beFreeOfCycles().check(classes);
    }

    @Test
    public void theCoreKnowsNothingOfTheWebOrTheDatabase() {
        ArchRuleDefinition.noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "jakarta..", "java.sql..", "com.fasterxml..")
                .check(classes);
    }

    @Test
    public void onlyTheFormatBindsJson() {
        ArchRuleDefinition.noClasses()
                .that()
                .resideOutsideOfPackage("..core.format..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("tools.jackson..", "com.networknt..")
                .check(classes);
    }
}
