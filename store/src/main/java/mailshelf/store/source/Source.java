package mailshelf.store.source;

import mailshelf.core.data.SourceId;
import mailshelf.core.rights.FolderId;

/**
 * A place that data sets come from: a database, or a folder on the server that files are put into.
 *
 * @param folder who may publish there may make data sets of it
 * @param place the address of a database for JDBC, or the path of a folder
 * @param user who signs in to the database; "" where none is needed
 * @param secret his password, encrypted; "" where there is none
 * @param seconds how long a query may take
 * @param mostRows how many rows it may give
 */
public record Source(
        SourceId id,
        FolderId folder,
        String name,
        Kind kind,
        String place,
        String user,
        String secret,
        int seconds,
        int mostRows) {
    /** What sort of place it is. */
    public enum Kind {
        DATABASE,
        FOLDER
    }
}
