package mailshelf.store.delivery;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.RunId;
import mailshelf.core.rights.PersonId;

/**
 * The handing over of one copy to one recipient.
 *
 * @param mail checksum of the mail's kept pieces, once it has been put together
 * @param attempts how many tries have been begun
 */
public record Delivery(
        DeliveryId id,
        RunId run,
        PersonId person,
        String name,
        String address,
        CopyId copy,
        String messageId,
        Optional<String> mail,
        DeliveryState state,
        int attempts,
        Instant nextTry) {
    /** With one more try begun. */
    Delivery tried() {
        return new Delivery(id, run, person, name, address, copy, messageId, mail, state, attempts + 1, nextTry);
    }
}
