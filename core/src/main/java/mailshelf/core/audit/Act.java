package mailshelf.core.audit;

/** Something done that the audit trail keeps. */
public enum Act {
    SIGNED_IN,
    SIGN_IN_REFUSED,
    SIGNED_OUT,
    PASSWORD_SET,
    SESSIONS_ENDED,
    PERSON_ADDED,
    PERSON_CHANGED,
    GROUP_ADDED,
    MEMBERS_CHANGED,
    FOLDER_ADDED,
    GRANT_CHANGED,
    REPORT_PUBLISHED,
    DATA_SET_MADE,
    DATA_LOADED,
    ROW_RULES_CHANGED,
    SUBSCRIPTION_MADE,
    SUBSCRIPTION_CHANGED,
    SUBSCRIPTION_STARTED,
    SUBSCRIPTION_PAUSED,
    SUBSCRIPTION_RESUMED,
    SUBSCRIPTION_ENDED,
    RECIPIENT_LEFT,
    SEND_ASKED,
    TRIAL_ASKED,
    SEND_CLOSED,
    /** An issue that was not sent to the one who opened it. */
    OTHERS_ISSUE_OPENED
}
