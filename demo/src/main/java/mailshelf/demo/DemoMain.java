package mailshelf.demo;

import java.util.List;
import mailshelf.server.Main;

/** The product's command line with one command more. */
public final class DemoMain {
    private DemoMain() {}

    public static void main(String[] arguments) {
        Main.run(arguments, List.of(new StartDemo()));
    }
}
