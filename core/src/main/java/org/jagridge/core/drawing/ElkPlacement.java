package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.elk.alg.layered.options.LayeredMetaDataProvider;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.alg.layered.options.NodePlacementStrategy;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.data.LayoutMetaDataService;
import org.eclipse.elk.core.math.ElkPadding;
import org.eclipse.elk.core.math.KVector;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.options.HierarchyHandling;
import org.eclipse.elk.core.options.PortConstraints;
import org.eclipse.elk.core.options.PortSide;
import org.eclipse.elk.core.options.SizeConstraint;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.core.util.IndividualSpacings;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.ElkPort;
import org.eclipse.elk.graph.util.ElkGraphUtil;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;
import org.jagridge.core.drawing.Placement.Item;

/**
 * Places the boxes of a connection diagram by ELK's layered algorithm: a box a place, its parts inside with a port a
 * terminal, from the top down. Its routes are used for the room they make and then thrown away: between nested boxes
 * they run askew or over each other now and then, and once a hand has moved a box they are of no use
 * ({@link WireRouter} draws the wires).
 *
 * <p>A wire has no direction, but the algorithm wants one, and a daisy chain that points all one way would become as
 * many layers as it has parts. So the parts of a place are coloured first ({@link Columns}: no two that are wired
 * together share a colour) and each wire points from the lower colour to the higher: a chain then needs two layers.
 */
final class ElkPlacement {
    private static final double POST = 8;

    static {
        LayoutMetaDataService.getInstance().registerLayoutMetaDataProviders(new LayeredMetaDataProvider());
    }

    private final Circuit circuit;
    private final Map<String, Item> items;
    private final Map<String, ElkNode> frameNodes = new LinkedHashMap<>();
    private final Map<String, ElkNode> blockNodes = new LinkedHashMap<>();
    private final Map<Terminal, ElkPort> ports = new LinkedHashMap<>();

    private ElkPlacement(Circuit circuit) {
        this.circuit = circuit;
        items = Placement.items(circuit);
    }

    static Placement of(Circuit circuit) {
        return new ElkPlacement(circuit).place();
    }

    private Placement place() {
        ElkNode root = graph();
        for (Place place : circuit.places()) {
            ElkNode node = ElkGraphUtil.createNode(root);
            node.setProperty(CoreOptions.PADDING, new ElkPadding(40, 24, 24, 24));
            space(node);
            frameNodes.put(place.id(), node);
        }
        Map<String, Integer> rank = Columns.of(circuit);
        Map<Terminal, PortSide> sides = sides(rank);
        items.values().forEach(item -> addBlock(item, sides));
        for (Wire wire : circuit.wires()) {
            boolean forward = rank.get(wire.from().part()) <= rank.get(wire.to().part());
            ElkPort from = ports.get(forward ? wire.from() : wire.to());
            ElkPort to = ports.get(forward ? wire.to() : wire.from());
            ElkGraphUtil.createSimpleEdge(from, to);
        }
        new RecursiveGraphLayoutEngine().layout(root, new BasicProgressMonitor());
        return collect();
    }

    private static ElkNode graph() {
        ElkNode root = ElkGraphUtil.createGraph();
        root.setProperty(CoreOptions.ALGORITHM, LayeredOptions.ALGORITHM_ID);
        root.setProperty(CoreOptions.DIRECTION, Direction.DOWN);
        root.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        root.setProperty(CoreOptions.HIERARCHY_HANDLING, HierarchyHandling.INCLUDE_CHILDREN);
        root.setProperty(LayeredOptions.NODE_PLACEMENT_STRATEGY, NodePlacementStrategy.NETWORK_SIMPLEX);
        space(root);
        root.setProperty(CoreOptions.RANDOM_SEED, 1);
        return root;
    }

    /** Room between boxes and wires; ELK doesn't hand it down to the boxes within boxes. */
    private static void space(ElkNode node) {
        // a step more than the least, so that rounding to the lattice can't make boxes crowd each other
        node.setProperty(CoreOptions.SPACING_NODE_NODE, (Placement.APART + 1.0) * Placement.STEP);
        node.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, (Placement.APART + 1.0) * Placement.STEP);
        node.setProperty(LayeredOptions.SPACING_EDGE_NODE_BETWEEN_LAYERS, 12.0);
        node.setProperty(LayeredOptions.SPACING_EDGE_EDGE_BETWEEN_LAYERS, 8.0);
        node.setProperty(CoreOptions.SPACING_EDGE_NODE, 12.0);
        node.setProperty(CoreOptions.SPACING_EDGE_EDGE, 8.0);
    }

    /** A terminal lies on the side that most of its wires leave from; one without wires where there is room. */
    private Map<Terminal, PortSide> sides(Map<String, Integer> rank) {
        Map<Terminal, Integer> downward = new HashMap<>();
        for (Wire w : circuit.wires()) {
            int step =
                    Integer.compare(rank.get(w.to().part()), rank.get(w.from().part()));
            downward.merge(w.from(), step, Integer::sum);
            downward.merge(w.to(), -step, Integer::sum);
        }
        Map<Terminal, PortSide> sides = new HashMap<>();
        for (Item item : items.values()) {
            int balance = 0;
            for (Terminal t : item.terminals()) {
                int step = downward.getOrDefault(t, 0);
                boolean south = step > 0 || (step == 0 && balance <= 0);
                sides.put(t, south ? PortSide.SOUTH : PortSide.NORTH);
                balance += south ? 1 : -1;
            }
        }
        return sides;
    }

    private void addBlock(Item item, Map<Terminal, PortSide> sides) {
        List<Terminal> top = item.terminals().stream()
                .filter(t -> sides.get(t) == PortSide.NORTH)
                .toList();
        List<Terminal> bottom =
                item.terminals().stream().filter(t -> !top.contains(t)).toList();
        ElkNode node = ElkGraphUtil.createNode(frameNodes.get(item.place()));
        node.setIdentifier(item.id());
        node.setProperty(CoreOptions.PORT_CONSTRAINTS, PortConstraints.FIXED_SIDE);
        IndividualSpacings own = new IndividualSpacings();
        own.setProperty(CoreOptions.SPACING_PORT_PORT, item.pitch() * Placement.STEP - POST);
        node.setProperty(CoreOptions.SPACING_INDIVIDUAL, own);
        node.setProperty(
                CoreOptions.NODE_SIZE_CONSTRAINTS, EnumSet.of(SizeConstraint.MINIMUM_SIZE, SizeConstraint.PORTS));
        int width = item.block(0, 0, top, bottom).width() * Placement.STEP;
        node.setProperty(
                CoreOptions.NODE_SIZE_MINIMUM, new KVector(width, Placement.PART_HEIGHT * (double) Placement.STEP));
        blockNodes.put(item.id(), node);
        for (Terminal t : item.terminals()) {
            ElkPort port = ElkGraphUtil.createPort(node);
            port.setDimensions(POST, POST);
            port.setProperty(CoreOptions.PORT_BORDER_OFFSET, -POST / 2);
            port.setProperty(CoreOptions.PORT_SIDE, sides.get(t));
            ports.put(t, port);
        }
    }

    private Placement collect() {
        Map<String, Block> blocks = new LinkedHashMap<>();
        blockNodes.forEach((id, node) -> {
            List<Terminal> order = new ArrayList<>(items.get(id).terminals());
            order.sort(Comparator.comparingDouble(t -> ports.get(t).getX()));
            double[] at = absolute(node);
            blocks.put(
                    id,
                    items.get(id)
                            .block(
                                    lattice(at[0]),
                                    lattice(at[1]),
                                    onSide(order, PortSide.NORTH),
                                    onSide(order, PortSide.SOUTH)));
        });
        Map<String, Frame> frames = new LinkedHashMap<>();
        frameNodes.forEach((id, node) -> {
            if (!node.getChildren().isEmpty()) {
                double[] at = absolute(node);
                frames.put(
                        id,
                        new Frame(
                                id,
                                lattice(at[0]),
                                lattice(at[1]),
                                lattice(node.getWidth()),
                                lattice(node.getHeight())));
            }
        });
        return new Placement(Placement.framesAround(circuit, frames, blocks), blocks).apart();
    }

    private List<Terminal> onSide(List<Terminal> order, PortSide side) {
        return order.stream()
                .filter(t -> ports.get(t).getProperty(CoreOptions.PORT_SIDE) == side)
                .toList();
    }

    private static int lattice(double pixels) {
        return (int) Math.round(pixels / Placement.STEP);
    }

    private static double[] absolute(ElkNode n) {
        double x = 0;
        double y = 0;
        for (ElkNode p = n; p != null; p = p.getParent()) {
            x += p.getX();
            y += p.getY();
        }
        return new double[] {x, y};
    }
}
