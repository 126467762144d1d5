package mailshelf.core.data;

/** What happens before values of personal columns go to others as somebody else sees them. */
public enum PersonalRule {
    /** Whoever subscribes is told. */
    WARN,
    /** Others get them masked. */
    MASK,
    /** Nothing is sent before an administrator has approved it. */
    APPROVE
}
