package mailshelf.store.archive;

/**
 * Where one part lies, so that reading it is one seek.
 *
 * @param volume path of the tar file, relative to the archive's folder
 * @param startAt first byte of the content, behind its header
 */
public record Entry(String sha256, String volume, long startAt, long sizeBytes) {
    /** First byte behind the content and its padding: where the next header would stand. */
    public long endAt() {
        return startAt + Tar.padded(sizeBytes);
    }
}
