package org.jagridge.web.circuits;

import java.io.IOException;
import java.util.List;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;
import org.springframework.web.multipart.MultipartFile;

/** Files of text that a form brings. */
public final class Uploads {
    private static final int MOST = 5 * 1024 * 1024;

    private Uploads() {}

    /**
     * A file's bytes.
     *
     * @throws MalformedException where there are more than a circuit or a table of readings can need
     */
    public static byte[] bytes(MultipartFile file) throws IOException {
        if (file.getSize() > MOST) {
            throw new MalformedException(
                    List.of(new Problem("", "the file has more than 5 MB; split it, or leave out a circuit's layout")));
        }
        return file.getBytes();
    }
}
