package mailshelf.server.offline;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.server.CannotStart;

/**
 * A library that ships with Mail Shelf, as the lists say that the build writes.
 *
 * @param name as its ecosystem writes it, for Maven {@code group:artifact}
 */
record ShippedPart(Ecosystem ecosystem, String name, String version) {
    /** Where libraries come from, and how the list of those looks. */
    enum Ecosystem {
        MAVEN("Maven", "/NOTICE-java.txt", "\\((\\S+:\\S+):([^:\\s]+) - .*\\)$"),
        NPM("npm", "/META-INF/resources/notices-web.txt", "^(\\S+) (\\d+\\.\\d+\\.\\S+)$");

        /** As advisories name it. */
        final String key;

        final String list;
        private final Pattern line;

        Ecosystem(String key, String list, String line) {
            this.key = key;
            this.list = list;
            this.line = Pattern.compile(line);
        }
    }

    /** @throws CannotStart where a list is missing */
    static List<ShippedPart> all() throws IOException, CannotStart {
        List<ShippedPart> parts = new ArrayList<>();
        for (Ecosystem each : Ecosystem.values()) {
            list(each).lines().forEach(line -> {
                Matcher found = each.line.matcher(line);
                if (found.find()) {
                    parts.add(new ShippedPart(each, found.group(1), found.group(2)));
                }
            });
        }
        return List.copyOf(parts);
    }

    /**
     * The list itself, with the terms of each.
     *
     * @throws CannotStart where it is missing
     */
    static String list(Ecosystem ecosystem) throws IOException, CannotStart {
        try (InputStream in = ShippedPart.class.getResourceAsStream(ecosystem.list)) {
            if (in == null) {
                throw new CannotStart(
                        "The list " + ecosystem.list + " is missing: this program was not built by its own build.");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Override
    public String toString() {
        return name + " " + version;
    }
}
