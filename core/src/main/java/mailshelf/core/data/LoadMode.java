package mailshelf.core.data;

/** Whether the rows of a load take the place of those before or are added to them. */
public enum LoadMode {
    REPLACE,
    APPEND
}
