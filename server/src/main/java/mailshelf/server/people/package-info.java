/**
 * People, groups, folders and grants, for administrators.
 * Open {@link mailshelf.server.people.GrantController} first.
 */
package mailshelf.server.people;
