package mailshelf.server;

import java.io.PrintStream;

/** What is to be done and said once a server has started. */
public interface Opening {
    void open(PrintStream out);
}
