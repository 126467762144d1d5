package mailshelf.server.people;

import java.util.List;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.RequestId;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Requests for rights over HTTP. */
@RestController
@RequestMapping("/api/v1")
class RequestController {
    private final AnswerRequests requests;

    record Asked(RequestId id) {}

    RequestController(AnswerRequests requests) {
        this.requests = requests;
    }

    @PostMapping("/reports/{id}/requests")
    @ResponseStatus(HttpStatus.CREATED)
    Asked ask(Person who, @PathVariable ReportId id, @RequestBody AnswerRequests.RequestWish wish) {
        return new Asked(requests.ask(who, id, wish));
    }

    @GetMapping("/requests")
    List<AnswerRequests.RequestView> all(Person who) {
        return requests.all(who);
    }

    @PostMapping("/requests/{id}/answer")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void answer(Person who, @PathVariable RequestId id, @RequestBody AnswerRequests.Reply reply) {
        requests.answer(who, id, reply);
    }
}
