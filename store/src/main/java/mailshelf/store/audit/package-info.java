/**
 * Keeps the audit trail.
 * Open {@link mailshelf.store.audit.AuditStore} first.
 */
package mailshelf.store.audit;
