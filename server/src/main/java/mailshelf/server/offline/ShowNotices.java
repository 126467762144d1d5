package mailshelf.server.offline;

import java.io.IOException;
import java.util.concurrent.Callable;
import mailshelf.server.CannotStart;
import picocli.CommandLine.Command;

/** Says what Mail Shelf is made with, and under which terms. */
@Command(
        name = "notices",
        description = "Shows what ships with Mail Shelf and under which terms.",
        mixinStandardHelpOptions = true)
public final class ShowNotices implements Callable<Integer> {
    @Override
    public Integer call() throws IOException, CannotStart {
        for (ShippedPart.Ecosystem each : ShippedPart.Ecosystem.values()) {
            System.out.print(ShippedPart.list(each));
        }
        System.out.flush();
        return 0;
    }
}
