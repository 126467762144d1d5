package mailshelf.core.rights;

/** What somebody is for the whole house, beside what he is granted in folders. */
public enum Role {
    /** Minds people, groups, grants and house rules; may do everything everywhere. */
    ADMINISTRATOR,
    /** Reads the archive, the audit trail and every setting. Changes nothing by this role. */
    AUDITOR
}
