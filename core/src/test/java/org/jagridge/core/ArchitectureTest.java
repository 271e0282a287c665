package org.jagridge.core;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertEquals;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.PartTypes;
import org.testng.annotations.Test;

/** The packages are the pipeline; arrows go one way. */
public class ArchitectureTest {
    /** Part types whose names are words that mean other things, too: a lane, a test lead, a parameter. */
    private static final Set<String> PLAIN_WORDS = Set.of("supply", "earth", "outdoors");

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
                .layer("world")
                .definedBy("..core.world..")
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
                .layer("prove")
                .definedBy("..core.prove..")
                .layer("plan")
                .definedBy("..core.plan..")
                .layer("select")
                .definedBy("..core.select..")
                .whereLayer("circuit")
                .mayNotAccessAnyLayer()
                .whereLayer("network")
                .mayNotAccessAnyLayer()
                .whereLayer("part")
                .mayOnlyAccessLayers("circuit", "network")
                .whereLayer("run")
                .mayOnlyAccessLayers("circuit", "network", "part")
                .whereLayer("world")
                .mayOnlyAccessLayers("circuit", "network", "part", "run")
                .whereLayer("trace")
                .mayOnlyAccessLayers("circuit", "network", "part", "run")
                .whereLayer("meter")
                .mayOnlyAccessLayers("circuit", "network", "part", "run", "world")
                .whereLayer("drawing")
                .mayOnlyAccessLayers("circuit", "network", "part", "run", "trace")
                .whereLayer("check")
                .mayOnlyAccessLayers("circuit", "network", "part", "run", "world")
                .whereLayer("format")
                .mayOnlyAccessLayers("circuit", "part", "run")
                .whereLayer("found")
                .mayOnlyAccessLayers("circuit", "part", "format")
                .whereLayer("edit")
                .mayOnlyAccessLayers("circuit", "part", "format", "found")
                .whereLayer("prove")
                .mayOnlyAccessLayers("circuit", "network", "part", "run", "format")
                .whereLayer("plan")
                .mayOnlyAccessLayers("circuit", "part", "run", "format", "check", "prove")
                .whereLayer("select")
                .mayOnlyAccessLayers("circuit", "part", "run", "format")
                .check(classes);
    }

    /** The seam knows no type; types are made of blocks; nobody else sees either. */
    @Test
    public void partHasThreeRooms() {
        layeredArchitecture()
                .consideringAllDependencies()
                .layer("block")
                .definedBy("..core.part.block")
                .layer("type")
                .definedBy("..core.part.type")
                .whereLayer("type")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("block")
                .mayOnlyBeAccessedByLayers("type")
                .check(classes);
    }

    @Test
    public void theBudgetKnowsNobody() {
        ArchRuleDefinition.noClasses()
                .that()
                .resideInAPackage("..core.budget..")
                .should()
                .dependOnClassesThat()
                .resideOutsideOfPackages("..core.budget..", "java..")
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

    /** A type is known by what it says of itself, not by its name: a new one touches its own file and the register. */
    @Test
    public void noPartTypeIsNamedOutsideItsPackage() throws IOException {
        Set<String> types =
                PartTypes.catalogue().all().stream().map(PartType::type).collect(Collectors.toCollection(TreeSet::new));
        List<String> named = new ArrayList<>();
        for (String root : List.of("src/main/java", "../web/src/main/java")) {
            try (Stream<Path> files = Files.walk(Path.of(root))) {
                for (Path file : files.filter(f -> f.toString().endsWith(".java"))
                        .filter(f -> !f.toString().contains("/core/part/"))
                        .sorted()
                        .toList()) {
                    Matcher literal = Pattern.compile("\"([a-z][a-z-]*)\"").matcher(Files.readString(file));
                    while (literal.find()) {
                        if (types.contains(literal.group(1)) && !PLAIN_WORDS.contains(literal.group(1))) {
                            named.add(file.getFileName() + ": " + literal.group(1));
                        }
                    }
                }
            }
        }
        assertEquals(named.toString(), "[]");
    }
}
