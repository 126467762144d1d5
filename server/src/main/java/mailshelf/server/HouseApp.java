package mailshelf.server;

import java.util.List;

/** {@link App} as a house runs it. */
final class HouseApp {
    static final Program PROGRAM = new Program(HouseApp.class, "house", List.of(App.class));

    private HouseApp() {}

    /** For the build alone, which writes down ahead of starts how the parts are made. */
    public static void main(String[] arguments) {
        PROGRAM.application().run(arguments);
    }
}
