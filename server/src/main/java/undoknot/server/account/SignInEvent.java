package undoknot.server.account;

/** What the log of sign-ins knows of. */
public enum SignInEvent {
    SIGNED_IN,
    WRONG,
    TOO_MANY,
    LOCKED_OUT,
    CODE_USED,
    SIGNED_OUT,
    ADDED,
    CHANGED,
    LOCKED,
    UNLOCKED,
    CODE_GIVEN,
    PASSWORD_CHOSEN,
    ENDED_EVERYWHERE,
    BY_PIN,
    PIN_CHOSEN,
    PIN_ENDED,
    TABLET_TRUSTED,
    TABLET_ENDED
}
