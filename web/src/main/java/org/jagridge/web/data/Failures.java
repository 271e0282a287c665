package org.jagridge.web.data;

import org.springframework.boot.SpringBootExceptionReporter;
import org.springframework.context.ConfigurableApplicationContext;

/** What is said where the application couldn't start for a reason that wasn't seen beforehand. */
final class Failures implements SpringBootExceptionReporter {

    Failures(@SuppressWarnings("unused") ConfigurableApplicationContext context) {}

    /** The start itself says in one line what happened, so no trace is printed. */
    @Override
    public boolean reportException(Throwable failure) {
        return true;
    }

    /** A failure in a line. */
    static String words(Throwable failure) {
        Throwable root = failure;
        for (Throwable t = failure; t != null; t = t.getCause()) {
            if (t instanceof RefusedException) {
                return t.getMessage();
            }
            root = t;
        }
        if (Disk.isFull(failure)) {
            return "The disk is full. Make room and start again.";
        }
        String said = root.getMessage() == null
                ? ""
                : ": " + root.getMessage().lines().findFirst().orElse("").replaceFirst("; SQL statement:$", "");
        return "Jagridge could not start (" + root.getClass().getSimpleName() + said + ").";
    }
}
