package org.jagridge.web.circuits;

/** A circuit was asked for that somebody has removed; it can be put back. */
public final class RemovedException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final String slug;

    RemovedException(String slug, String name) {
        super(name + " has been removed.");
        this.slug = slug;
    }

    public String slug() {
        return slug;
    }
}
