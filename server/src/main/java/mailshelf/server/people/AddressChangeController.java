package mailshelf.server.people;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Confirming one's new mail address by a link that was mailed there; looking at it confirms nothing. */
@RestController
@RequestMapping("/api/v1/address-changes")
class AddressChangeController {
    private final AddressChanges changes;

    AddressChangeController(AddressChanges changes) {
        this.changes = changes;
    }

    @GetMapping("/{token}")
    AddressChanges.Confirmed get(@PathVariable String token) {
        return changes.look(token);
    }

    @PostMapping("/{token}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void post(@PathVariable String token) {
        changes.confirm(token);
    }
}
