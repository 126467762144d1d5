package mailshelf.store.archive;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.core.delivery.RunId;
import mailshelf.core.subscription.SubscriptionId;

/**
 * The name of the tar file in which one server keeps what it adds to one issue. Servers never write to each other's
 * files; the files of an issue have all but the server's number in common.
 *
 * @param folder relative to the archive's folder: year and subscription
 * @param issue number and revision, or "trial", and the run: what the files of one issue have in common
 */
public record Volume(String folder, String issue, RunId run, int server) {
    private static final Pattern OF_SERVER = Pattern.compile("(.*)[-.](\\d+)\\.tar");

    /**
     * @param number empty for a trial
     * @param due by its year the folder is chosen: it is the same for all attempts at an issue
     */
    public static Volume of(
            SubscriptionId subscription, RunId run, Optional<Integer> number, int revision, Instant due, int server) {
        String folder = due.atZone(ZoneOffset.UTC).getYear() + "/" + subscription.value();
        String issue = number.map(n -> n + "-r" + revision).orElse("trial");
        return new Volume(folder, issue + "." + run.value(), run, server);
    }

    /** Relative to the archive's folder. */
    public String path() {
        return folder + "/" + issue + "-" + server + ".tar";
    }

    /** The same file in the folder of another of its issue. */
    public String beside(String other) {
        return other.substring(0, other.lastIndexOf('/') + 1) + path().substring(folder.length() + 1);
    }

    /** Whether a file of this name, in the same folder, was written in an attempt at the same run's issue. */
    boolean isOfSameRun(String fileName) {
        return fileName.matches(".*\\." + run.value() + "-\\d+\\.tar");
    }

    public static boolean isWrittenBy(String path, int server) {
        Matcher name = OF_SERVER.matcher(path);
        return name.matches() && name.group(2).equals(Integer.toString(server));
    }

    /** What the files of one issue have in common. */
    static String issueOf(String path) {
        Matcher name = OF_SERVER.matcher(path);
        return name.matches() ? name.group(1) : path;
    }
}
