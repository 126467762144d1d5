package mailshelf.server;

/** {@link App} with the demo's parts: one-click sign-in, mail room, movable clock. */
final class DemoApp {
    private DemoApp() {}

    /** For the build alone, as in {@link HouseApp}. */
    public static void main(String[] arguments) {
        ServerStart.application(DemoApp.class).run(arguments);
    }
}
