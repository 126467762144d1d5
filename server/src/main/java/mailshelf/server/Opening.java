package mailshelf.server;

import java.io.PrintStream;

/** What is to be done and said once a server has started. */
public interface Opening {
    /** @throws CannotStart where it turns out only now that it cannot run */
    void open(PrintStream out) throws CannotStart;
}
