package org.jagridge.web.data;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.Locale;
import org.springframework.boot.SpringApplication;

/** Starts the application with a data folder, or says in one line why it can't. */
public final class Start {
    private Start() {}

    /**
     * @throws RefusedException where a port, a folder or a file stands in the way
     */
    public static void run(Class<?> application, String... args) {
        int port = port(setting("jagridge.port", "8780"));
        requireFree(port);
        Path at = Path.of(setting("jagridge.data", "./data"));
        String backup = setting("jagridge.restore", "");
        if (!backup.isEmpty()) {
            Backups.restore(Path.of(backup), at);
        }
        DataFolder folder = DataFolder.open(at);
        SpringApplication spring = new SpringApplication(application);
        spring.addInitializers(c -> c.getBeanFactory().registerSingleton("dataFolder", folder));
        try {
            spring.run(args);
            System.out.println("Jagridge on http://127.0.0.1:" + port + " (data in "
                    + at.toAbsolutePath().normalize() + "; stop with Ctrl-C)");
        } catch (RuntimeException e) {
            if (e instanceof SpringApplication.AbandonedRunException) {
                throw e;
            }
            throw new RefusedException(undone(folder, Failures.words(e)));
        }
    }

    private static String undone(DataFolder folder, String words) {
        try {
            folder.putBack();
            return words + " The data is as it was.";
        } catch (IOException e) {
            return words + " The next start puts the data back as it was.";
        }
    }

    /** A setting as it is given to the virtual machine or in the environment. */
    static String setting(String key, String otherwise) {
        String given = System.getProperty(key);
        String there = given != null
                ? given
                : System.getenv(key.toUpperCase(Locale.ROOT).replace('.', '_'));
        return there == null || there.isBlank() ? otherwise : there;
    }

    private static int port(String text) {
        int port = text.matches("\\d{1,5}") ? Integer.parseInt(text) : -1;
        if (port < 0 || port > 65_535) {
            throw new RefusedException("\"" + text + "\" is no port. Give JAGRIDGE_PORT a number from 1 to 65535.");
        }
        return port;
    }

    private static void requireFree(int port) {
        if (port == 0) {
            return;
        }
        try (ServerSocket socket = new ServerSocket()) {
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        } catch (IOException e) {
            throw new RefusedException("Port " + port
                    + " is in use, by another Jagridge or another program. Stop that one,"
                    + " or choose another port: JAGRIDGE_PORT=" + (port < 65_535 ? port + 1 : 8780) + " bin/demo");
        }
    }
}
