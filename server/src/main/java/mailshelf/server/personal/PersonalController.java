package mailshelf.server.personal;

import java.util.List;
import mailshelf.core.data.DataSetId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.ApprovalId;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Personal columns, the house's rule on them, and approvals, over HTTP. */
@RestController
@RequestMapping("/api/v1")
class PersonalController {
    private final MindPersonal mind;
    private final Approvals approvals;

    PersonalController(MindPersonal mind, Approvals approvals) {
        this.mind = mind;
        this.approvals = approvals;
    }

    /** Takes the place of those that were marked before. */
    @PutMapping("/data-sets/{id}/personal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mark(Person who, @PathVariable DataSetId id, @RequestBody MindPersonal.PersonalWish wish) {
        mind.mark(who, id, wish.columns());
    }

    @GetMapping("/house-rules")
    MindPersonal.HouseRules rules(Person who) {
        return mind.rules(who);
    }

    @PutMapping("/house-rules")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(Person who, @RequestBody MindPersonal.HouseRulesWish wish) {
        mind.change(who, wish);
    }

    @GetMapping("/approvals")
    List<Approvals.ApprovalView> all(Person who) {
        return approvals.all(who);
    }

    @PostMapping("/approvals/{id}/answer")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void answer(Person who, @PathVariable ApprovalId id, @RequestBody Approvals.Reply reply) {
        approvals.answer(who, id, reply);
    }
}
