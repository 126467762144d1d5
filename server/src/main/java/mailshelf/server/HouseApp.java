package mailshelf.server;

/** {@link App} as a house runs it. */
final class HouseApp {
    private HouseApp() {}

    /** For the build alone, which writes down ahead of starts how the parts are made. */
    public static void main(String[] arguments) {
        ServerStart.application(HouseApp.class).run(arguments);
    }
}
