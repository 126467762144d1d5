package mailshelf.server.work;

import java.util.List;
import mailshelf.core.rights.Person;
import mailshelf.core.work.WorkKind;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Work that failed again and again and was set aside. */
@RestController
@RequestMapping("/api/v1/set-aside")
class SetAsideController {
    private final SetAside setAside;

    SetAsideController(SetAside setAside) {
        this.setAside = setAside;
    }

    @GetMapping
    List<SetAside.SetAsideView> all(Person who) {
        return setAside.all(who);
    }

    @PostMapping("/{kind}/{unit}/try-again")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void tryAgain(Person who, @PathVariable WorkKind kind, @PathVariable long unit) {
        setAside.tryAgain(who, kind, unit);
    }
}
