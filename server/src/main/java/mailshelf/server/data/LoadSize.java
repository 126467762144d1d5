package mailshelf.server.data;

import mailshelf.core.Problem;
import mailshelf.server.HouseSettings;
import org.springframework.stereotype.Component;

/** How large a load may be, as each holds its rows in memory while it is under way. */
@Component
public class LoadSize {
    private static final long MEGABYTE = 1_000_000;

    private final long most;

    LoadSize(HouseSettings settings) {
        this.most = settings.largestLoadBytes();
    }

    public long mostBytes() {
        return most;
    }

    /** @throws Problem {@code data.too-large} for rows of more bytes than a load may have */
    void require(long bytes) {
        if (bytes > most) {
            throw Problem.invalid("data.too-large", most / MEGABYTE);
        }
    }
}
