package mailshelf.core.rights;

import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Locale;

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
        boolean administrator,
        boolean active) {}
