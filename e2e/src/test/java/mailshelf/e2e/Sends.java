package mailshelf.e2e;

/** Sends by hand, waited for. */
final class Sends {
    private Sends() {}

    /** Sends a subscription now; gives the issue once its run is closed. */
    static long issue(Api who, long subscription) {
        long run = who.post("subscriptions/" + subscription + "/send", null)
                .get("id")
                .asLong();
        Wait.until(
                "it is sent",
                () -> who.get("runs/" + run).get("state").asString().equals("CLOSED"));
        return who.get("runs/" + run).get("issue").asLong();
    }
}
