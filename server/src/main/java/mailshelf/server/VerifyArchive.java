package mailshelf.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import mailshelf.store.archive.Verification;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Checks an archive's folder with no server and no database. */
@Command(
        name = "verify",
        description = "Checks an archive: every byte, every part that is named, and the chain of each subscription.",
        mixinStandardHelpOptions = true)
final class VerifyArchive implements Callable<Integer> {
    @Parameters(paramLabel = "DIR", description = "the archive's folder, such as data/shelf")
    Path folder;

    @Option(
            names = "--heads",
            paramLabel = "FILE",
            description = "checksums that must occur, one a line, such as the Shelf-Chain lines of mails")
    Path heads;

    @Override
    public Integer call() throws IOException {
        if (!Files.isDirectory(folder)) {
            System.err.println(folder + " is not a folder.");
            return Main.USAGE;
        }
        Verification result = Verification.of(folder, heads == null ? Set.of() : heads());
        result.faults().forEach(System.out::println);
        System.out.printf(
                "%d issues in %d chains: %s%n",
                result.issues(),
                result.chains(),
                result.faults().isEmpty() ? "no fault found" : result.faults().size() + " faults");
        if (heads == null) {
            System.out.println("Without --heads it cannot be told whether the newest issues are missing.");
        }
        return result.faults().isEmpty() ? 0 : 1;
    }

    /** Any 64 hexadecimal digits in the file. */
    private Set<String> heads() throws IOException {
        return Pattern.compile("\\b[0-9a-f]{64}\\b")
                .matcher(Files.readString(heads))
                .results()
                .map(MatchResult::group)
                .collect(Collectors.toSet());
    }
}
