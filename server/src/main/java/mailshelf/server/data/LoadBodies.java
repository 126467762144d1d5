package mailshelf.server.data;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.core.data.DataSetId;
import mailshelf.server.http.LargeBodies;
import mailshelf.server.rights.Gate;
import mailshelf.server.signin.SignedIn;
import mailshelf.store.Database;
import org.springframework.stereotype.Component;

/** Rows that are sent to a data set, by somebody who may load it, may be as large as a load. */
@Component
class LoadBodies implements LargeBodies {
    private static final Pattern LOADS = Pattern.compile("/api/v1/data-sets/(\\d{1,18})/loads");

    private final Database database;
    private final Gate gate;
    private final SignedIn signedIn;
    private final LoadSize size;

    LoadBodies(Database database, Gate gate, SignedIn signedIn, LoadSize size) {
        this.database = database;
        this.gate = gate;
        this.signedIn = signedIn;
        this.size = size;
    }

    @Override
    public Optional<Long> mostBytes(HttpServletRequest request) {
        Matcher loads = LOADS.matcher(request.getRequestURI());
        if (!loads.matches()) {
            return Optional.empty();
        }
        DataSetId id = new DataSetId(Long.parseLong(loads.group(1)));
        signedIn.current().ifPresent(who -> database.doInTransaction(tx -> gate.publishable(tx, who, id)));
        return Optional.of(size.mostBytes());
    }
}
