package mailshelf.core.rights;

import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Set;

/**
 * Somebody who can sign in and be sent issues.
 *
 * @param address his mail address, by which he signs in
 * @param active false once he has left: he sees nothing and is sent nothing
 */
public record Person(
        PersonId id,
        String name,
        String address,
        ZoneId zone,
        Locale locale,
        DayOfWeek firstDayOfWeek,
        Set<Role> roles,
        boolean active) {
    public Person {
        roles = Set.copyOf(roles);
    }

    public boolean is(Role role) {
        return roles.contains(role);
    }
}
