package mailshelf.e2e;

import java.nio.charset.StandardCharsets;
import tools.jackson.databind.JsonNode;

/** The demo's mail room, as its administrator reads it. */
final class Inbox {
    private Inbox() {}

    private static String path(String person) {
        return "mail-room/" + person + "@brinewater.example";
    }

    /** What lies in somebody's, by subject, as text. */
    static String list(Api administrator, String person) {
        return new String(administrator.bytes(path(person)), StandardCharsets.UTF_8);
    }

    /** The mail that came last. */
    static JsonNode newest(Api administrator, String person) {
        return administrator.get(path(person)).get(0);
    }

    /** The mail that came last, as it was sent. */
    static String source(Api administrator, String person) {
        String id = newest(administrator, person).get("id").asString();
        return new String(administrator.bytes(path(person) + "/mails/" + id + "/source"), StandardCharsets.UTF_8);
    }
}
