package org.jagridge.web.prove;

import java.util.UUID;
import org.jagridge.core.prove.Acceptance;
import org.jagridge.web.circuits.CircuitRepository;
import org.springframework.stereotype.Component;

/** What the demo site has proved and accepted; the texts are what prover and acceptance made of the same circuit. */
@Component
public class DemoProof {
    private final ProofRepository proofs;
    private final AcceptanceRepository acceptances;
    private final CircuitRepository circuits;

    DemoProof(ProofRepository proofs, AcceptanceRepository acceptances, CircuitRepository circuits) {
        this.proofs = proofs;
        this.acceptances = acceptances;
        this.circuits = circuits;
    }

    /** A circuit's proof, and its acceptance sheet gone through once with everything as it must be. */
    public void fill(String circuit, String proof, String sheet, String who, String initials) {
        long revision = circuits.require(circuit).revisionId();
        proofs.add(revision, proof);
        UUID id = acceptances.begin(revision, who, sheet);
        for (Acceptance.Line l : KeptAcceptance.read(sheet).lines()) {
            acceptances.see(id, l.number(), true, initials, "");
        }
    }
}
