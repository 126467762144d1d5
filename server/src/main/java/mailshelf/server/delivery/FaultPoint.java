package mailshelf.server.delivery;

import java.util.Optional;

/** Where a test has the process die, as if the power went; nowhere unless it is asked for at the start of a demo. */
public final class FaultPoint {
    /** The exit status of a process that died here; that of one ended by SIGKILL. */
    public static final int STATUS = 137;

    private final Optional<Arrow> deadly;

    public FaultPoint(Optional<Arrow> deadly) {
        this.deadly = deadly;
    }

    void behind(Arrow arrow) {
        if (deadly.filter(arrow::equals).isPresent()) {
            Runtime.getRuntime().halt(STATUS);
        }
    }
}
