/**
 * Decides what a mail says about itself: subject, sender, identity and the headers that mail programs act on.
 * The bytes are put together elsewhere; nothing here knows about MIME.
 * Open {@link mailshelf.core.letter.Letter} first; what its owner wrote it by is {@link mailshelf.core.letter.LetterPattern}.
 */
package mailshelf.core.letter;
