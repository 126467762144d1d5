package mailshelf.server.signin;

import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.springframework.core.MethodParameter;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

/**
 * Gives controllers the person who asks, read anew at each request: who is made inactive during a session is out at
 * once.
 */
@Component
public class SignedIn implements HandlerMethodArgumentResolver {
    private final Database database;
    private final PersonStore people;

    SignedIn(Database database, PersonStore people) {
        this.database = database;
        this.people = people;
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Person.class;
    }

    @Override
    public Person resolveArgument(
            MethodParameter parameter,
            ModelAndViewContainer container,
            NativeWebRequest request,
            WebDataBinderFactory binders) {
        return current().orElseThrow(() -> new Problem(Problem.Kind.NOT_SIGNED_IN, "signin.needed"));
    }

    /** The person of this request's session, if there is one who may still come in. */
    public Optional<Person> current() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        if (authentication == null || !(authentication.getPrincipal() instanceof PersonId id)) {
            return Optional.empty();
        }
        return database.inTransaction(tx -> people.find(tx, id)).filter(Person::active);
    }
}
