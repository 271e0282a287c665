package org.jagridge.web.data;

/** The application can't start as it was asked to: its message is one line that says why and what to do. */
public final class RefusedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    RefusedException(String message) {
        super(message);
    }
}
