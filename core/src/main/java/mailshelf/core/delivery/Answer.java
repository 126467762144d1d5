package mailshelf.core.delivery;

/** What came of handing a mail to a server. */
public sealed interface Answer {
    /** The server's words, or those of the connection that broke. */
    String reply();

    /** Taken over (2xx after the final dot, RFC 5321 §4.2.1). */
    record Accepted(String reply) implements Answer {}

    /** Not now: 4xx. */
    record NotNow(String reply) implements Answer {}

    /** No connection could be made, so nothing was handed over. */
    record Unreached(String reply) implements Answer {}

    /** No connection as safe as demanded could be made: no TLS offered, or a certificate that is not the server's. */
    record Unsafe(String reply) implements Answer {}

    /** The server did not take our user and password, so nothing was handed over (RFC 4954 §6). */
    record NoLogin(String reply) implements Answer {}

    /** The connection broke, or the server fell silent, before it had the whole mail. */
    record CutOff(String reply) implements Answer {}

    /** Never: 5xx. */
    record Never(String reply) implements Answer {}

    /**
     * The connection was cut between the final dot and the answer: the server may or may not have it. Sent again with
     * the same Message-ID, and recorded as such.
     */
    record Lost(String reply) implements Answer {}

    /** From a reply code of RFC 5321; anything else means that there was no answer. */
    static Answer ofCode(int code, String reply) {
        if (code >= 200 && code < 300) {
            return new Accepted(reply);
        }
        return code >= 500 && code < 600 ? new Never(reply) : new NotNow(reply);
    }
}
