package mailshelf.e2e;

import java.util.List;
import java.util.Locale;
import java.util.Map;

/** People taken on for a test, with rights of their own. */
final class Staff {
    private Staff() {}

    /** @param roles such as AUDITOR */
    static long hired(Api administrator, String name, String... roles) {
        String address = name.toLowerCase(Locale.ROOT).replace(' ', '.') + "@brinewater.example";
        return administrator
                .post(
                        "people",
                        Map.of("name", name, "address", address, "zone", "Europe/Oslo", "roles", List.of(roles)))
                .get("id")
                .asLong();
    }

    /** A group of his own, which may do this much in one folder. */
    static void granted(Api administrator, long person, long folder, String... verbs) {
        long group = administrator
                .post("groups", Map.of("name", "Group of " + person))
                .get("id")
                .asLong();
        administrator.put("groups/" + group + "/members", Map.of("people", List.of(person)));
        administrator.put("grants/" + folder + "/" + group, Map.of("verbs", List.of(verbs)));
    }
}
