package mailshelf.core.letter;

import java.time.Instant;

/**
 * What one mail says about itself, before it becomes bytes.
 *
 * @param text of its owner, in lines, before the figures; "" for none
 * @param fromName the owner's name, in whose name the house address writes
 * @param listId RFC 2919 identifier, without its angle brackets
 * @param messageId RFC 5322 identifier with its angle brackets, the same in every try
 * @param date when the mail was put together; the same in every try
 * @param whyYou who put the recipient on the list
 * @param issueLine number, when made, checksum of the chain
 * @param leaveUrl where the recipient alone is taken off, by POST (RFC 8058) or by a click
 * @param chainHead newest sealed checksum of the subscription's chain, hexadecimal
 */
public record Letter(
        String subject,
        String text,
        String fromName,
        String replyTo,
        String toName,
        String toAddress,
        String listId,
        String listName,
        String messageId,
        Instant date,
        String whyYou,
        String issueLine,
        String shelfUrl,
        String reportUrl,
        String leaveUrl,
        String chainHead) {}
