package mailshelf.server.subscription;

import java.util.List;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.notice.Notices;
import mailshelf.store.Tx;
import org.springframework.stereotype.Component;

/** Tells by mail that subscriptions have another owner. */
@Component
class TellOwners {
    private final Notices notices;
    private final HouseSettings settings;

    TellOwners(Notices notices, HouseSettings settings) {
        this.notices = notices;
        this.settings = settings;
    }

    /** Tells both owners, but nobody what they did themselves. */
    void ofNewOwner(Tx tx, Person who, Person before, Person heir, List<Subscription> handed) {
        tell(tx, who, heir, "notice.handed-over", heir, handed);
        tell(tx, who, before, "notice.handed-away", heir, handed);
    }

    private void tell(Tx tx, Person who, Person to, String key, Person heir, List<Subscription> handed) {
        if (!to.active() || to.id().equals(who.id())) {
            return;
        }
        Words words = Describe.words(to);
        List<String> names = handed.stream()
                .map(subscription ->
                        words.say("notice.handed.name", subscription.terms().name()))
                .toList();
        notices.tell(
                tx,
                to.id(),
                words.say(key + ".subject", names.size(), names.get(0)),
                words.say(key + ".body", who.name(), String.join("\n", names), heir.name(), address(handed)));
    }

    private String address(List<Subscription> handed) {
        String one = handed.size() == 1 ? "/" + handed.get(0).id().value() : "";
        return settings.baseUrl() + "/subscriptions" + one;
    }
}
