package org.jagridge.web.data;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Locale;

/**
 * A data folder that one process holds. Before its database is upgraded it is copied, and the copy is put back where the
 * upgrade didn't come to its end, whatever ended it; a first start that didn't come to its end leaves nothing.
 */
public final class DataFolder implements AutoCloseable {
    static final String DATABASE = "jagridge.mv.db";
    /** The database as it was before an upgrade that is under way. */
    static final String BEFORE = "jagridge.before-upgrade.mv.db";
    /** There was no database before, and the first one isn't whole yet. */
    static final String BEGUN = "jagridge.begun";

    private static final String LOCK = "jagridge.lock";
    private static final String OTHER = " Or choose another folder with JAGRIDGE_DATA.";

    private final Path folder;
    private final FileChannel channel;
    private final FileLock lock;

    private DataFolder(Path folder, FileChannel channel, FileLock lock) {
        this.folder = folder;
        this.channel = channel;
        this.lock = lock;
    }

    /**
     * Takes a folder, makes it where it isn't there, and sees to it that its database is one that can be opened.
     *
     * @throws RefusedException where another process has it, it can't be written to, or what lies there is no database of
     *     this program or one of a newer edition
     */
    public static DataFolder open(Path folder) {
        DataFolder data = hold(folder);
        try {
            data.prepare();
            return data;
        } catch (IOException e) {
            data.close();
            throw data.unready(e);
        } catch (RuntimeException e) {
            data.close();
            throw e;
        }
    }

    /**
     * Takes a folder as the last whole upgrade left it.
     *
     * @throws RefusedException where another process has it or it can't be written to
     */
    static DataFolder hold(Path folder) {
        DataFolder data = take(folder.toAbsolutePath().normalize());
        try {
            data.putBack();
            return data;
        } catch (IOException e) {
            data.close();
            throw data.unready(e);
        }
    }

    private RefusedException unready(IOException e) {
        return new RefusedException("The data folder " + folder + " can't be made ready: " + words(e)
                + ". Nothing was changed; make room or give access, and start again.");
    }

    private static DataFolder take(Path at) {
        FileChannel channel = null;
        try {
            Files.createDirectories(at);
            channel = FileChannel.open(at.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return new DataFolder(at, channel, lock);
            }
            channel.close();
        } catch (OverlappingFileLockException e) {
            closeQuietly(channel);
        } catch (IOException e) {
            closeQuietly(channel);
            throw new RefusedException("The data folder " + at + " can't be written to: " + words(e)
                    + ". Give this user write access to it." + OTHER);
        }
        throw new RefusedException(
                "Another Jagridge works with the data folder " + at + ". Stop that one first." + OTHER);
    }

    private static void closeQuietly(FileChannel channel) {
        try {
            if (channel != null) {
                channel.close();
            }
        } catch (IOException e) {
            // nothing was written through it
        }
    }

    /** What went wrong with a file, short. */
    static String words(IOException e) {
        String reason = e instanceof FileSystemException f && f.getReason() != null
                ? f.getReason()
                : e.getMessage() == null || e.getMessage().startsWith("/") ? "" : e.getMessage();
        String kind = e.getClass().getSimpleName().replace("Exception", "").replaceAll("(?<=[a-z])(?=[A-Z])", " ");
        return reason.isEmpty() ? kind.toLowerCase(Locale.ROOT) : reason;
    }

    Path file() {
        return folder.resolve(DATABASE);
    }

    /** Undoes what an upgrade or a first start left that didn't come to its end. */
    void putBack() throws IOException {
        Path before = folder.resolve(BEFORE);
        Path begun = folder.resolve(BEGUN);
        if (Files.exists(before)) {
            move(before, file());
        } else if (Files.exists(begun)) {
            Files.deleteIfExists(file());
            Files.deleteIfExists(begun);
        }
    }

    private void prepare() throws IOException {
        if (!Files.exists(file())) {
            Files.writeString(folder.resolve(BEGUN), "the first start has not come to its end\n");
            return;
        }
        int schema = StoredSchema.of(file());
        int newest = StoredSchema.newest();
        if (schema > newest) {
            throw new RefusedException("The data in " + folder + " is from a newer Jagridge (schema " + schema
                    + ", this one knows " + newest + "). Start the newer one." + OTHER);
        }
        if (schema < newest) {
            copyBefore();
        }
    }

    private void copyBefore() throws IOException {
        Path copy = folder.resolve(BEFORE + ".tmp");
        try {
            Files.copy(file(), copy, StandardCopyOption.REPLACE_EXISTING);
            try (FileChannel written = FileChannel.open(copy, StandardOpenOption.WRITE)) {
                written.force(true);
            }
            move(copy, folder.resolve(BEFORE));
        } finally {
            // half a copy would only take room
            Files.deleteIfExists(copy);
        }
    }

    /** From now on the database is whole as it is: nobody has written to it before. */
    void settled() {
        try {
            Files.deleteIfExists(folder.resolve(BEFORE));
            Files.deleteIfExists(folder.resolve(BEGUN));
        } catch (IOException e) {
            throw unready(e);
        }
    }

    static void move(Path from, Path to) throws IOException {
        Files.move(from, to, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }

    @Override
    public void close() {
        try {
            lock.release();
            channel.close();
        } catch (IOException e) {
            // the end of the process gives it free
        }
    }
}
