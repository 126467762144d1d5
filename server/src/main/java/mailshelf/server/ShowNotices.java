package mailshelf.server;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;

/** Says what Mail Shelf is made with, and under which terms: lists that the build writes. */
@Command(
        name = "notices",
        description = "Shows what ships with Mail Shelf and under which terms.",
        mixinStandardHelpOptions = true)
final class ShowNotices implements Callable<Integer> {
    private static final List<String> LISTS = List.of("/NOTICE-java.txt", "/META-INF/resources/notices-web.txt");

    @Override
    public Integer call() throws IOException {
        for (String list : LISTS) {
            try (InputStream in = ShowNotices.class.getResourceAsStream(list)) {
                if (in == null) {
                    System.err.println(
                            "The list " + list + " is missing: this program was not built by its own build.");
                    return Main.USAGE;
                }
                in.transferTo(System.out);
            }
        }
        System.out.flush();
        return 0;
    }
}
