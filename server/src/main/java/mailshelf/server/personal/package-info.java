/**
 * Personal columns: which there are, what the house does before their values go to others as somebody else sees them, and
 * who approved it. Open {@link mailshelf.server.personal.PersonalColumns} first.
 */
package mailshelf.server.personal;
