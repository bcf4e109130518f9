package undoknot.server;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;

@AnalyzeClasses(packages = "undoknot", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule core_and_simulator_never_see_the_server = ArchRuleDefinition.noClasses()
            .that()
            .resideOutsideOfPackage("undoknot.server..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "undoknot.server..", "org.springframework..", "jakarta..", "com.fasterxml..", "org.hibernate..");

    @ArchTest
    static final ArchRule core_never_sees_the_simulator = ArchRuleDefinition.noClasses()
            .that()
            .resideOutsideOfPackages("undoknot.server..", "undoknot.simulator..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("undoknot.simulator..");

    @ArchTest
    static final ArchRule only_the_demo_uses_stand_ins = ArchRuleDefinition.noClasses()
            .that()
            .resideInAPackage("undoknot.server..")
            .and()
            .resideOutsideOfPackage("undoknot.server.demo..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("undoknot.simulator..");
}
