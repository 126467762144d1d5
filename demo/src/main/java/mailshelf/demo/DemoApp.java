package mailshelf.demo;

import java.util.List;
import mailshelf.server.App;
import mailshelf.server.Program;

/** The product's parts and the demo's: one-click sign-in, mail room, movable clock. */
final class DemoApp {
    static final Program PROGRAM = new Program(DemoApp.class, "demo", List.of(App.class, DemoParts.class));

    private DemoApp() {}

    /** For the build alone, which writes down ahead of starts how the parts are made. */
    public static void main(String[] arguments) {
        PROGRAM.application().run(arguments);
    }
}
