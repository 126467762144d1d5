/**
 * Names what people and the house do that an auditor may ask about.
 * Open {@link mailshelf.core.audit.Act} first.
 */
package mailshelf.core.audit;
