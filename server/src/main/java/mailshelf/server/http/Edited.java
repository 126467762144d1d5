package mailshelf.server.http;

/** An answer that shows one thing as somebody may go on to change it; its header carries the version. */
public interface Edited {
    /** Counts from 1 with each change. */
    int version();
}
