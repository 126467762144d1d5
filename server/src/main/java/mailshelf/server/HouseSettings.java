package mailshelf.server;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * What a server is started with.
 *
 * @param data the folder that holds everything
 * @param database host and port of the database that servers share; empty where this one has it for itself
 * @param server this server's number among those that share the work; part of its archive files' names
 * @param baseUrl how readers reach the server; links in mails begin with it, without a slash at the end
 * @param sourceRoots folders below which files may be watched
 * @param largestLoadBytes how many bytes of rows one load may have
 * @param proxies addresses of proxies that are believed whom they say they ask for (Forwarded headers), as a regular
 *     expression; empty where readers come directly
 * @param demo there where the demo's parts (one-click sign-in, mail room, movable clock) are
 */
public record HouseSettings(
        Path data,
        Optional<String> database,
        int server,
        String baseUrl,
        MailSettings mail,
        List<Path> sourceRoots,
        long largestLoadBytes,
        String proxies,
        Optional<DemoSettings> demo) {

    /** An address as others are put behind it. */
    static String withoutSlash(String url) {
        return url.replaceAll("/+$", "");
    }

    /** Whether readers come by TLS, at this server or at the proxy before it. */
    public boolean isSecure() {
        return baseUrl.startsWith("https://");
    }

    public String issueUrl(long issue) {
        return baseUrl + "/issues/" + issue;
    }
}
