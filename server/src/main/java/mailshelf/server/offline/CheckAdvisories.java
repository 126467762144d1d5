package mailshelf.server.offline;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import mailshelf.server.CannotStart;
import org.semver4j.SemverException;
import picocli.CommandLine.Command;
import picocli.CommandLine.ExitCode;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.ObjectMapper;

/** Says which libraries that ship with Mail Shelf have a known vulnerability, by a folder of advisories. */
@Command(
        name = "advisories",
        description =
                "Says which libraries that ship with Mail Shelf have known vulnerabilities. Ends with status 1 where"
                        + " there are any.",
        mixinStandardHelpOptions = true)
public final class CheckAdvisories implements Callable<Integer> {
    private static final ObjectMapper JSON = new ObjectMapper();

    @Parameters(
            paramLabel = "DIR",
            description = "folder of advisories in the Open Source Vulnerability format, one JSON file each, also in"
                    + " folders below it")
    Path folder;

    private int read;
    private int unreadable;
    private int found;

    @Override
    public Integer call() throws IOException, CannotStart {
        if (!Files.isDirectory(folder)) {
            System.err.println("There is no folder " + folder + ": give one that holds advisories as JSON files.");
            return ExitCode.USAGE;
        }
        List<ShippedPart> parts = ShippedPart.all();
        try (Stream<Path> files = Files.walk(folder)) {
            files.filter(file -> file.toString().endsWith(".json")).sorted().forEach(file -> hold(file, parts));
        }
        System.out.printf(
                "Looked up %d libraries in %d advisories: %s%n",
                parts.size(), read, found == 0 ? "no vulnerability is known." : found + " found.");
        if (unreadable > 0 || read == 0) {
            System.err.println(unreadable + " files could not be read: this says nothing about what they tell.");
            return ExitCode.USAGE;
        }
        return found == 0 ? ExitCode.OK : CheckReport.FAULTS;
    }

    private void hold(Path file, List<ShippedPart> parts) {
        try {
            Advisory advisory = JSON.readValue(file.toFile(), Advisory.class);
            read++;
            parts.stream().filter(advisory::concerns).forEach(part -> {
                found++;
                System.out.println(part + ": " + advisory.id() + " " + advisory.summary());
            });
        } catch (JacksonException | SemverException e) {
            unreadable++;
            System.err.println(file + ": " + e.getMessage().lines().findFirst().orElse("unreadable"));
        }
    }
}
