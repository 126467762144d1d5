package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Invitations as an invited person takes them up: from the mail. */
final class Invitations {
    private static final Pattern LINK = Pattern.compile("/invitations/(\\S+)");

    private Invitations() {}

    /** Waits for the mail, follows its link and sets a password. */
    static void accept(RunningServer demo, String address, String password) {
        Api api = Api.as(demo, "Sunniva Rein");
        String inbox = "mail-room/" + address;
        Wait.until(
                address + " is invited",
                () -> api.status(inbox) == 200 && !api.get(inbox).isEmpty());
        String mail = api.get(inbox).get(0).get("id").asString();
        Matcher link =
                LINK.matcher(api.get(inbox + "/mails/" + mail).get("text").asString());
        assertThat(link.find()).isTrue();
        Api.stranger(demo).post("invitations/" + link.group(1), Map.of("password", password));
    }
}
