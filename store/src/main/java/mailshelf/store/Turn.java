package mailshelf.store;

import java.util.concurrent.locks.ReentrantLock;

/**
 * Has one transaction change things at a time, from its first change until it is on record. H2 writes its maps to the
 * file one by one, whoever's commit it is: what another transaction does to two of them meanwhile is in the file by
 * half, and stays so when the process is killed before the next commit. Whoever has the turn may take it again.
 */
interface Turn extends AutoCloseable {
    /** Waits until nobody else has it. */
    void take();

    void giveBack();

    @Override
    void close();

    /** For a file that this process has for itself. */
    static Turn here() {
        ReentrantLock lock = new ReentrantLock(true);
        return new Turn() {
            @Override
            public void take() {
                lock.lock();
            }

            @Override
            public void giveBack() {
                lock.unlock();
            }

            @Override
            public void close() {
                // holds nothing
            }
        };
    }
}
