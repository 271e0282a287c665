package org.jagridge.web.data;

import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Whether there is room for what is to be stored. Nothing is written to a disk that is about to be full: the database
 * stays open and readable, and goes on by itself when there is room again.
 */
@Component
public class Disk {
    private static final long MEGABYTE = 1 << 20;
    /** A write may make the database tidy itself up; that takes room, too. */
    private static final long KEPT_FREE = 32 * MEGABYTE;

    private final Path folder;

    Disk(@Value("${jagridge.data:./data}") Path folder) {
        this.folder = folder.toAbsolutePath().normalize();
    }

    /** There is no room for what was to be stored. */
    public static final class FullException extends RuntimeException {
        private static final long serialVersionUID = 1L;

        public FullException(String message) {
            super(message);
        }
    }

    /**
     * @throws FullException where there isn't enough room, naming the disk
     */
    void requireRoom() {
        long free = free();
        if (free < KEPT_FREE) {
            throw new FullException("The disk with the data folder " + folder + " is full (" + free / MEGABYTE
                    + " MB free, " + KEPT_FREE / MEGABYTE
                    + " are needed), so this was not stored. Everything can still be"
                    + " read. Make room on that disk and do it again; no restart is needed.");
        }
    }

    /** Keeps what can be worked out again at any time; without room it isn't kept, that is all. */
    public static void keepIfThereIsRoom(Runnable keep) {
        try {
            keep.run();
        } catch (FullException e) {
            // it is worked out again the next time
        }
    }

    /** Bytes that are free. */
    long free() {
        try {
            Path there = folder;
            while (there != null && !Files.exists(there)) {
                there = there.getParent();
            }
            FileStore store = Files.getFileStore(there == null ? Path.of("/") : there);
            return store.getUsableSpace();
        } catch (IOException e) {
            // the write itself will tell
            return Long.MAX_VALUE;
        }
    }

    /** Whether something failed for want of room, at whatever depth. */
    public static boolean isFull(Throwable failure) {
        for (Throwable t = failure; t != null; t = t.getCause()) {
            String said = String.valueOf(t.getMessage());
            if (said.contains("No space left on device") || said.contains("not enough space")) {
                return true;
            }
        }
        return false;
    }
}
