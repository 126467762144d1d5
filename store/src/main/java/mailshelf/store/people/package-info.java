/**
 * Keeps people, groups, folders and what is granted.
 * Open {@link mailshelf.store.people.PersonStore} first.
 */
package mailshelf.store.people;
