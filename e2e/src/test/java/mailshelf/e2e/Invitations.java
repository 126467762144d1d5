package mailshelf.e2e;

import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Invitations as an invited person takes them up: from the mail. */
final class Invitations {
    private Invitations() {}

    /** Waits for the mail, follows its link and sets a password. */
    static void accept(RunningServer demo, String address, String password) {
        Api.stranger(demo).post("invitations/" + mailed(demo, address, "invitations"), Map.of("password", password));
    }

    /** What the newest mail to an address lets its reader do: the end of its link. */
    static String mailed(RunningServer demo, String address, String kind) {
        Api api = Api.as(demo, "Sunniva Rein");
        String inbox = "mail-room/" + address;
        Pattern link = Pattern.compile("/" + kind + "/(\\S+)");
        AtomicReference<String> found = new AtomicReference<>();
        Wait.until(address + " is mailed a link", () -> {
            if (api.status(inbox) != 200 || api.get(inbox).isEmpty()) {
                return false;
            }
            String mail = api.get(inbox).get(0).get("id").asString();
            Matcher match =
                    link.matcher(api.get(inbox + "/mails/" + mail).get("text").asString());
            boolean isThere = match.find();
            found.set(isThere ? match.group(1) : "");
            return isThere;
        });
        return found.get();
    }
}
