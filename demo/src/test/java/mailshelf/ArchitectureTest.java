package mailshelf;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaCall;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaCodeUnit;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.Clock;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.Year;
import java.time.YearMonth;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Date;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Which way imports point, and the promises that hold everywhere. */
class ArchitectureTest {
    private static final Set<String> READERS = Set.of(
            "java.nio.file.Files",
            "java.io.FileInputStream",
            "java.io.RandomAccessFile",
            "java.nio.channels.FileChannel",
            "java.util.ResourceBundle",
            "java.awt.Font",
            "java.net.http.HttpClient",
            "java.sql.DriverManager");

    private static JavaClasses classes;

    @BeforeAll
    static void read() {
        classes = new ClassFileImporter()
                .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                .withImportOption(location -> !location.contains("-tests.jar"))
                .importPackages("mailshelf");
    }

    @Test
    void modules_point_towards_core() {
        layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("core")
                .definedBy("mailshelf.core..")
                .layer("render")
                .definedBy("mailshelf.render..")
                .layer("store")
                .definedBy("mailshelf.store..")
                .layer("server")
                .definedBy("mailshelf.server..")
                .layer("demo")
                .definedBy("mailshelf.demo..")
                .whereLayer("demo")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("server")
                .mayOnlyBeAccessedByLayers("demo")
                .whereLayer("render")
                .mayOnlyBeAccessedByLayers("server", "demo")
                .whereLayer("store")
                .mayOnlyBeAccessedByLayers("server", "demo")
                .check(classes);
    }

    @Test
    void core_does_no_io_and_knows_no_framework() {
        noClasses()
                .that()
                .resideInAPackage("mailshelf.core..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "java.nio.file..",
                        "java.net..",
                        "java.sql..",
                        "javax.sql..",
                        "jakarta..",
                        "org.springframework..",
                        "org.slf4j..")
                .check(classes);
    }

    @Test
    void spring_stays_in_the_server_and_jdbc_in_the_store() {
        noClasses()
                .that()
                .resideOutsideOfPackages("mailshelf.server..", "mailshelf.demo..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.springframework..")
                .check(classes);
        noClasses()
                .that()
                .resideOutsideOfPackage("mailshelf.store..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.sql..", "org.h2..", "com.zaxxer..")
                .check(classes);
    }

    @Test
    void only_the_wiring_creates_a_clock() {
        for (Class<?> type : List.of(
                Instant.class,
                LocalDate.class,
                LocalTime.class,
                LocalDateTime.class,
                ZonedDateTime.class,
                OffsetDateTime.class,
                Year.class,
                YearMonth.class)) {
            noClasses().should().callMethod(type, "now").check(classes);
        }
        noClasses().should().callMethod(System.class, "currentTimeMillis").check(classes);
        noClasses().should().callConstructor(Date.class).check(classes);
        noClasses()
                .that()
                .doNotHaveSimpleName("Wiring")
                .should()
                .callMethod(InstantSource.class, "system")
                .orShould()
                .callMethod(Clock.class, "systemUTC")
                .orShould()
                .callMethod(Clock.class, "systemDefaultZone")
                .check(classes);
    }

    @Test
    void cores_rooms_do_not_go_round_in_circles() {
        slices().matching("mailshelf.core.(*)..").should().beFreeOfCycles().check(classes);
    }

    @Test
    void nothing_prints_but_the_command_line() {
        noClasses()
                .that()
                .resideOutsideOfPackages("mailshelf.server", "mailshelf.server.offline")
                .should()
                .accessField(System.class, "out")
                .orShould()
                .accessField(System.class, "err")
                .check(classes);
    }

    /** One that fails leaves its class unusable for as long as the process lives, whatever the reason was. */
    @Test
    void no_static_initialiser_reads_anything() {
        Map<String, List<String>> reading = new TreeMap<>();
        for (JavaClass type : classes) {
            type.getStaticInitializer().ifPresent(initialiser -> {
                List<String> reads = readsFrom(initialiser, new HashSet<>());
                if (!reads.isEmpty()) {
                    reading.put(type.getName(), reads);
                }
            });
        }
        assertThat(reading).isEmpty();
    }

    /** What it, or any code of ours that it calls, reads from files and resources. */
    private static List<String> readsFrom(JavaCodeUnit code, Set<JavaCodeUnit> seen) {
        if (!seen.add(code)) {
            return List.of();
        }
        List<String> reads = new ArrayList<>();
        for (JavaCall<?> call : code.getCallsFromSelf()) {
            String owner = call.getTargetOwner().getName();
            if (owner.startsWith("mailshelf.")) {
                call.getTarget().resolveMember().ifPresent(target -> reads.addAll(readsFrom(target, seen)));
            } else if (READERS.contains(owner) || call.getName().startsWith("getResource")) {
                reads.add(owner + "." + call.getName());
            }
        }
        return reads;
    }
}
