package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.elk.alg.layered.options.LayerConstraint;
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
import org.eclipse.elk.graph.ElkBendPoint;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkEdgeSection;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.ElkPort;
import org.eclipse.elk.graph.util.ElkGraphUtil;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Connection.Box;
import org.jagridge.core.drawing.Connection.Edge;
import org.jagridge.core.drawing.Connection.Point;
import org.jagridge.core.drawing.Connection.Post;
import org.jagridge.core.drawing.Connection.Route;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;

/**
 * Lays out the connection diagram by ELK's layered algorithm: a box a place, its parts inside with a port a terminal,
 * orthogonal wires, from the top down.
 *
 * <p>A wire has no direction, but the algorithm wants one, and a daisy chain that points all one way would become as
 * many layers as it has parts. So the parts of a place are coloured first ({@link Columns}: no two that are wired
 * together share a colour) and each wire points from the lower colour to the higher: a chain then needs two layers.
 */
public final class ConnectionLayout {
    private static final double POST = 8;
    private static final double POST_PITCH = 19;
    /** Room for the labels of both edges and the title between them. */
    private static final double PART_HEIGHT = 46;

    private static final double LETTER = 6.2;
    private static final double TITLE_LETTER = 7.2;

    static {
        LayoutMetaDataService.getInstance().registerLayoutMetaDataProviders(new LayeredMetaDataProvider());
    }

    private final Assembly assembly;
    private final Map<String, ElkNode> placeNodes = new LinkedHashMap<>();
    private final Map<String, ElkNode> titleNodes = new HashMap<>();
    private final Map<String, ElkNode> partNodes = new LinkedHashMap<>();
    private final Map<Terminal, ElkPort> ports = new LinkedHashMap<>();
    private final Map<String, ElkEdge> edges = new LinkedHashMap<>();

    private ConnectionLayout(Assembly assembly) {
        this.assembly = assembly;
    }

    public static Connection of(Assembly assembly) {
        return new ConnectionLayout(assembly).layout();
    }

    private Connection layout() {
        ElkNode root = graph();
        for (Place place : assembly.circuit().places()) {
            addPlace(root, place);
        }
        for (Part part : assembly.circuit().parts()) {
            addPart(part);
        }
        Map<String, Integer> rank = Columns.of(assembly.circuit());
        chooseSides(rank);
        for (Wire wire : assembly.circuit().wires()) {
            addWire(wire, rank);
        }
        new RecursiveGraphLayoutEngine().layout(root, new BasicProgressMonitor());
        return collect(root);
    }

    private static ElkNode graph() {
        ElkNode root = ElkGraphUtil.createGraph();
        root.setProperty(CoreOptions.ALGORITHM, LayeredOptions.ALGORITHM_ID);
        root.setProperty(CoreOptions.DIRECTION, Direction.DOWN);
        root.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        root.setProperty(CoreOptions.HIERARCHY_HANDLING, HierarchyHandling.INCLUDE_CHILDREN);
        root.setProperty(LayeredOptions.NODE_PLACEMENT_STRATEGY, NodePlacementStrategy.NETWORK_SIMPLEX);
        root.setProperty(CoreOptions.SPACING_NODE_NODE, 18.0);
        root.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, 26.0);
        root.setProperty(LayeredOptions.SPACING_EDGE_NODE_BETWEEN_LAYERS, 12.0);
        root.setProperty(LayeredOptions.SPACING_EDGE_EDGE_BETWEEN_LAYERS, 8.0);
        root.setProperty(CoreOptions.SPACING_EDGE_NODE, 12.0);
        root.setProperty(CoreOptions.SPACING_EDGE_EDGE, 8.0);
        root.setProperty(CoreOptions.PADDING, new ElkPadding(6, 6, 6, 6));
        root.setProperty(CoreOptions.RANDOM_SEED, 1);
        return root;
    }

    private void addPlace(ElkNode root, Place place) {
        ElkNode node = ElkGraphUtil.createNode(root);
        node.setIdentifier(place.id());
        node.setProperty(CoreOptions.PADDING, new ElkPadding(12, 16, 14, 16));
        // the title is a node of its own, so that wires keep clear of it
        ElkNode title = ElkGraphUtil.createNode(node);
        title.setDimensions(Math.ceil(place.name().length() * TITLE_LETTER), 12);
        title.setProperty(LayeredOptions.LAYERING_LAYER_CONSTRAINT, LayerConstraint.FIRST);
        titleNodes.put(place.id(), title);
        placeNodes.put(place.id(), node);
        if (usesMetalwork(place)) {
            ElkNode metal = part(node, place.id(), place.id().length() * TITLE_LETTER + 16, POST_PITCH);
            port(metal, place.metalwork());
        }
    }

    private boolean usesMetalwork(Place place) {
        return assembly.circuit().wires().stream()
                .anyMatch(w -> w.from().equals(place.metalwork()) || w.to().equals(place.metalwork()));
    }

    private void addPart(Part part) {
        List<String> names = PartTypes.catalogue()
                .require(part)
                .terminals(assembly.member(part.id()).orElseThrow().params());
        int longest =
                names.stream().mapToInt(n -> label(part, n).length()).max().orElse(0);
        double pitch = Math.max(POST_PITCH, longest * LETTER + 5);
        double width = part.id().length() * TITLE_LETTER + 16;
        ElkNode node = part(placeNodes.get(part.place()), part.id(), width, pitch);
        for (String name : names) {
            port(node, new Terminal(part.id(), name));
        }
    }

    private static String label(Part part, String terminal) {
        return part.labels().getOrDefault(terminal, terminal);
    }

    private ElkNode part(ElkNode place, String id, double width, double pitch) {
        ElkNode node = ElkGraphUtil.createNode(place);
        node.setIdentifier(id);
        node.setProperty(CoreOptions.PORT_CONSTRAINTS, PortConstraints.FIXED_SIDE);
        IndividualSpacings own = new IndividualSpacings();
        own.setProperty(CoreOptions.SPACING_PORT_PORT, Math.ceil(pitch) - POST);
        node.setProperty(CoreOptions.SPACING_INDIVIDUAL, own);
        node.setProperty(
                CoreOptions.NODE_SIZE_CONSTRAINTS, EnumSet.of(SizeConstraint.MINIMUM_SIZE, SizeConstraint.PORTS));
        node.setProperty(CoreOptions.NODE_SIZE_MINIMUM, new KVector(Math.ceil(width), PART_HEIGHT));
        partNodes.put(id, node);
        return node;
    }

    private void port(ElkNode node, Terminal terminal) {
        ElkPort port = ElkGraphUtil.createPort(node);
        port.setIdentifier(terminal.toString());
        port.setDimensions(POST, POST);
        port.setProperty(CoreOptions.PORT_BORDER_OFFSET, -POST / 2);
        ports.put(terminal, port);
    }

    /** A terminal lies on the side that most of its wires leave from; one without wires where there is room. */
    private void chooseSides(Map<String, Integer> rank) {
        Map<Terminal, Integer> downward = new HashMap<>();
        for (Wire w : assembly.circuit().wires()) {
            int step =
                    Integer.compare(rank.get(w.to().part()), rank.get(w.from().part()));
            downward.merge(w.from(), step, Integer::sum);
            downward.merge(w.to(), -step, Integer::sum);
        }
        Map<ElkNode, Integer> balance = new HashMap<>();
        ports.forEach((terminal, port) -> {
            int step = downward.getOrDefault(terminal, 0);
            boolean south = step > 0 || (step == 0 && balance.getOrDefault(port.getParent(), 0) <= 0);
            port.setProperty(CoreOptions.PORT_SIDE, south ? PortSide.SOUTH : PortSide.NORTH);
            balance.merge(port.getParent(), south ? 1 : -1, Integer::sum);
        });
    }

    private void addWire(Wire wire, Map<String, Integer> rank) {
        boolean forward = rank.get(wire.from().part()) <= rank.get(wire.to().part());
        ElkPort from = ports.get(forward ? wire.from() : wire.to());
        ElkPort to = ports.get(forward ? wire.to() : wire.from());
        ElkEdge edge = ElkGraphUtil.createSimpleEdge(from, to);
        edge.setIdentifier(wire.id());
        edges.put(wire.id(), edge);
    }

    private Connection collect(ElkNode root) {
        List<Box> places = new ArrayList<>();
        for (Place place : assembly.circuit().places()) {
            double[] at = absolute(titleNodes.get(place.id()));
            Point title = new Point(at[0], at[1] + 10);
            places.add(
                    box(placeNodes.get(place.id()), place.name(), place.access().word(), title));
        }
        List<Box> parts = new ArrayList<>();
        partNodes.forEach((id, node) -> {
            double[] at = absolute(node);
            Point middle = new Point(at[0] + node.getWidth() / 2, at[1] + node.getHeight() / 2 + 4);
            parts.add(box(node, id, assembly.circuit().part(id).map(Part::title).orElse("metalwork"), middle));
        });
        List<Post> posts = new ArrayList<>();
        ports.forEach((terminal, port) -> posts.add(post(terminal, port)));
        List<Route> routes = new ArrayList<>();
        for (Wire wire : assembly.circuit().wires()) {
            routes.add(route(wire));
        }
        return new Connection(root.getWidth(), root.getHeight(), places, parts, posts, routes);
    }

    private static Box box(ElkNode node, String title, String note, Point titleAt) {
        double[] at = absolute(node);
        return new Box(node.getIdentifier(), title, note, at[0], at[1], node.getWidth(), node.getHeight(), titleAt);
    }

    private Post post(Terminal terminal, ElkPort port) {
        double[] at = absolute(port.getParent());
        String label = assembly.circuit()
                .part(terminal.part())
                .map(p -> label(p, terminal.name()))
                .orElse(terminal.name());
        Edge edge = edge(port);
        double cx = at[0] + port.getX() + POST / 2;
        double cy = at[1] + port.getY() + POST / 2;
        return new Post(terminal, label, assembly.node(terminal).orElseThrow(), cx, cy, edge);
    }

    private static Edge edge(ElkPort port) {
        PortSide side = port.getProperty(CoreOptions.PORT_SIDE);
        return switch (side) {
            case EAST -> Edge.RIGHT;
            case NORTH -> Edge.TOP;
            case SOUTH -> Edge.BOTTOM;
            default -> Edge.LEFT;
        };
    }

    private Route route(Wire wire) {
        ElkEdge edge = edges.get(wire.id());
        double[] off = absolute(edge.getContainingNode());
        List<Point> points = new ArrayList<>();
        for (ElkEdgeSection s : edge.getSections()) {
            points.add(new Point(s.getStartX() + off[0], s.getStartY() + off[1]));
            for (ElkBendPoint p : s.getBendPoints()) {
                points.add(new Point(p.getX() + off[0], p.getY() + off[1]));
            }
            points.add(new Point(s.getEndX() + off[0], s.getEndY() + off[1]));
        }
        return new Route(wire.id(), assembly.node(wire.from()).orElseThrow(), points);
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
