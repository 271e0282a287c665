package org.jagridge.web.circuits;

/** Something was asked for by an id that doesn't exist. */
public final class NotFoundException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public NotFoundException(String message) {
        super(message);
    }
}
