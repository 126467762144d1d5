package mailshelf.store.archive;

import java.util.stream.Stream;
import mailshelf.core.shelf.Sha256;

/**
 * Something to be kept: its name in the tar file, and its bytes.
 *
 * @param name such as {@code files/9f3c….pdf}; all but the manifest carry their checksum in it
 */
public record Part(String name, byte[] content, String sha256) {
    public static final String MANIFEST = "manifest.json";

    private static final String RECEIPTS = "receipts";

    /** A part that is named by its checksum. */
    public static Part of(Kind kind, byte[] content) {
        String sha256 = Sha256.of(content);
        return new Part(nameOf(kind.role, sha256), content, sha256);
    }

    /**
     * Receipts of a run; a run that is opened again and closed again has more than one of them.
     *
     * @param startAt where in the archive file it stands, which tells one from the next
     */
    public static Part receipts(long startAt, byte[] content) {
        String sha256 = Sha256.of(content);
        return new Part(RECEIPTS + "-" + startAt + "/" + sha256 + ".json", content, sha256);
    }

    /** The name under which a part of an issue is kept. */
    static String nameOf(String role, String sha256) {
        Kind kind = Kind.of(role);
        return kind.folder + "/" + sha256 + "." + kind.extension;
    }

    /** Whether any part of that checksum would be called so; receipts stand in a folder each. */
    static boolean isNameOfOurs(String name, String sha256) {
        return name.matches(RECEIPTS + "-\\d+/" + sha256 + "\\.json")
                || Stream.of(Kind.values()).anyMatch(kind -> name.equals(nameOf(kind.role, sha256)));
    }

    /** The kinds of parts, by their roles in the manifest, and where and as what each is kept. */
    public enum Kind {
        FIGURES("figures", "figures", "json"),
        PDF("pdf", "files", "pdf"),
        PICTURE("picture", "files", "png"),
        LETTER("letter", "letters", "json"),
        MAIL("mail", "mails", "json");

        private final String role;
        private final String folder;
        private final String extension;

        Kind(String role, String folder, String extension) {
            this.role = role;
            this.folder = folder;
            this.extension = extension;
        }

        public String role() {
            return role;
        }

        static Kind of(String role) {
            return Stream.of(values())
                    .filter(kind -> kind.role.equals(role))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no part has the role " + role));
        }
    }

    static boolean isReceipts(String name) {
        return name.startsWith(RECEIPTS + "-");
    }

    public static Part named(String name, byte[] content) {
        return new Part(name, content, Sha256.of(content));
    }
}
