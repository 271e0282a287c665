package org.jagridge.core.network;

/** The equations have no unique solution, as with a loop of sources without resistance. */
public final class SingularNetworkException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final int node;

    SingularNetworkException(int node) {
        super("no unique solution at node " + node);
        this.node = node;
    }

    /** Index of the node at which elimination failed. */
    public int node() {
        return node;
    }
}
