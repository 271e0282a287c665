package org.jagridge.web.records;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.util.List;

/** A picture of a terminal strip in its cabinet, in place of a photo that nobody took. */
final class DrawnStrip {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 700;
    private static final int STRIP_TOP = 270;
    private static final int STRIP_HEIGHT = 160;
    private static final int MARGIN = 120;
    private static final int SCREW = 17;
    private static final Color WALL = new Color(0xc9c4b6);
    private static final Color CABINET = new Color(0x8f9a9c);
    private static final Color PLATE = new Color(0xb8c0bf);
    private static final Color BODY = new Color(0x2f3a3a);
    private static final Color BRASS = new Color(0xcaa64b);
    private static final Color LABEL = new Color(0xf3efe2);

    private final String name;
    private final List<String> posts;

    DrawnStrip(String name, List<String> posts) {
        this.name = name;
        this.posts = posts;
    }

    private double pitch() {
        return (WIDTH - 2.0 * MARGIN) / posts.size();
    }

    private double centre(int post) {
        return MARGIN + (post + 0.5) * pitch();
    }

    /** Where a post's screw is, as a share of the width. */
    double x(int post) {
        return centre(post) / WIDTH;
    }

    /** Where the screws are, as a share of the height. */
    double y() {
        return (STRIP_TOP + STRIP_HEIGHT / 2.0) / HEIGHT;
    }

    BufferedImage image() {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setColor(WALL);
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.setColor(CABINET);
        g.fill(new RoundRectangle2D.Double(40, 30, WIDTH - 80, HEIGHT - 60, 30, 30));
        g.setColor(PLATE);
        g.fill(new RoundRectangle2D.Double(70, 60, WIDTH - 140, HEIGHT - 120, 16, 16));
        g.setColor(BODY);
        g.fill(new RoundRectangle2D.Double(MARGIN - 20, STRIP_TOP, WIDTH - 2.0 * MARGIN + 40, STRIP_HEIGHT, 12, 12));
        g.setFont(new Font(Font.SANS_SERIF, Font.BOLD, 30));
        g.setColor(BODY);
        g.drawString(name, MARGIN - 20, STRIP_TOP - 30);
        for (int i = 0; i < posts.size(); i++) {
            post(g, i);
        }
        g.dispose();
        return image;
    }

    private void post(Graphics2D g, int i) {
        double x = centre(i);
        double y = STRIP_TOP + STRIP_HEIGHT / 2.0;
        g.setColor(BRASS);
        g.fill(new Ellipse2D.Double(x - SCREW, y - SCREW, 2 * SCREW, 2 * SCREW));
        g.setColor(BODY);
        g.setStroke(new BasicStroke(4));
        double turn = i * 0.7;
        double dx = Math.cos(turn) * SCREW * 0.8;
        double dy = Math.sin(turn) * SCREW * 0.8;
        g.draw(new Line2D.Double(x - dx, y - dy, x + dx, y + dy));
        g.setColor(LABEL);
        g.fill(new Rectangle2D.Double(x - 22, STRIP_TOP + STRIP_HEIGHT - 34, 44, 26));
        g.setColor(BODY);
        g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 20));
        int width = g.getFontMetrics().stringWidth(posts.get(i));
        g.drawString(posts.get(i), (float) (x - width / 2.0), STRIP_TOP + STRIP_HEIGHT - 14);
    }
}
