package mailshelf.core.work;

/** Steps that are done unit by unit, and what a unit of each is. */
public enum WorkKind {
    /** Turning a due subscription into a run: a subscription. */
    BOOK,
    /** Waiting for the data of a run: a run. */
    AWAIT,
    /** Making the issue of a run: a run. */
    MAKE,
    /** Putting a mail together, handing it over and recording the answer: a delivery. */
    SEND,
    /** Handing over a notice: a notice. */
    NOTIFY,
    /** Sealing the receipts of a run: a run. */
    CLOSE,
    /** Loading rows: a data set. */
    LOAD,
    /** Looking whether a source answers: a source. */
    CHECK_SOURCE
}
