package mailshelf.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.archive.Verification;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.shelf.IssueStore;
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

    @Option(
            names = "--data",
            paramLabel = "DATA",
            description =
                    "the data folder whose database the archive is compared with: finds newest issues and receipts that"
                            + " are missing or invented; stop a server that has the folder for itself first")
    Path data;

    @Option(
            names = "--database",
            paramLabel = "HOST:PORT",
            description = "with --data: the database that several servers share; they need not be stopped")
    Optional<String> database = Optional.empty();

    @Override
    public Integer call() throws IOException {
        if (!Files.isDirectory(folder)) {
            System.err.println(folder + " is not a folder.");
            return Main.USAGE;
        }
        Verification result = Verification.of(folder, heads == null ? Set.of() : heads());
        List<String> faults = new ArrayList<>(result.faults());
        if (data != null) {
            try (Database opened = OfflineDatabase.open(data, database)) {
                faults.addAll(compared(opened, result.found()));
            } catch (CannotStart | StoreException e) {
                System.err.println(e.getMessage());
                return Main.USAGE;
            }
        }
        faults.forEach(System.out::println);
        System.out.printf(
                "%d issues in %d chains: %s%n",
                result.issues(), result.chains(), faults.isEmpty() ? "no fault found" : faults.size() + " faults");
        if (heads == null && data == null) {
            System.out.println("Without --heads or --data it cannot be told whether the newest issues are missing.");
        }
        return faults.isEmpty() ? 0 : 1;
    }

    /** What one side has and the other has not. */
    private static List<String> compared(Database database, Verification.Found found) {
        Set<String> manifests = database.inTransaction(new IssueStore()::manifests);
        Set<String> receipts = database.inTransaction(new RunStore()::allReceipts);
        List<String> faults = new ArrayList<>();
        manifests.stream()
                .filter(sha256 -> !found.manifests().contains(sha256))
                .forEach(sha256 -> faults.add("The database knows an issue with the manifest " + sha256
                        + ", which is missing or has been changed"));
        found.manifests().stream()
                .filter(sha256 -> !manifests.contains(sha256))
                .forEach(sha256 ->
                        faults.add("The manifest " + sha256 + " is of an issue that the database does not know"));
        receipts.stream()
                .filter(sha256 -> !found.receipts().contains(sha256))
                .forEach(sha256 -> faults.add(
                        "The database knows the receipts " + sha256 + ", which are missing or have been changed"));
        return faults;
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
