package mailshelf.store.archive;

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
    public static Part of(String folder, String extension, byte[] content) {
        String sha256 = Sha256.of(content);
        return new Part(folder + "/" + sha256 + "." + extension, content, sha256);
    }

    /**
     * Receipts of a run; a run that is opened again and closed again has more than one of them.
     *
     * @param startAt where in the archive file it stands, which tells one from the next
     */
    public static Part receipts(long startAt, byte[] content) {
        return of(RECEIPTS + "-" + startAt, "json", content);
    }

    static boolean isReceipts(String name) {
        return name.startsWith(RECEIPTS + "-");
    }

    public static Part named(String name, byte[] content) {
        return new Part(name, content, Sha256.of(content));
    }
}
