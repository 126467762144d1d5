package mailshelf.server.subscription;

import java.util.List;
import java.util.Optional;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SubscriptionId;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Another owner for one subscription, or for all of a person's, over HTTP. */
@RestController
@RequestMapping("/api/v1")
class HandOverController {
    private final HandOver handOver;

    record NewOwner(PersonId person) {}

    HandOverController(HandOver handOver) {
        this.handOver = handOver;
    }

    @GetMapping("/subscriptions/{id}/handover")
    HandOver.HandOverOutlook outlook(Person who, @PathVariable SubscriptionId id, @RequestParam PersonId to) {
        return handOver.outlook(who, id, to);
    }

    @PutMapping("/subscriptions/{id}/owner")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable SubscriptionId id, @RequestBody NewOwner wish) {
        handOver.one(who, id, wish.person());
    }

    @GetMapping("/people/{id}/subscriptions")
    List<HandOver.HandOverOutlook> ofPerson(
            Person who, @PathVariable PersonId id, @RequestParam Optional<PersonId> to) {
        return handOver.ofPerson(who, id, to);
    }

    @PostMapping("/people/{id}/subscriptions/handover")
    HandOver.Handed all(Person who, @PathVariable PersonId id, @RequestBody NewOwner wish) {
        return handOver.allOf(who, id, wish.person());
    }
}
