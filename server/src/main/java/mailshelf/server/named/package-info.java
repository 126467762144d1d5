/** Named values: kept by publishers, tried before they are, and resolved for whoever looks. */
package mailshelf.server.named;
