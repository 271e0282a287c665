package org.jagridge.web.bench;

/** An act that can't be done; the message says why. */
public final class BadActException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    BadActException(String message) {
        super(message);
    }
}
