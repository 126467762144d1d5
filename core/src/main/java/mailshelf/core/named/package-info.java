/** Values and lists that are defined once and used by their names. */
package mailshelf.core.named;
