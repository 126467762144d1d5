/**
 * Decides who is asking: sign-in with own accounts, sessions, throttling.
 * Open {@link mailshelf.server.signin.SecurityRules} first.
 */
package mailshelf.server.signin;
