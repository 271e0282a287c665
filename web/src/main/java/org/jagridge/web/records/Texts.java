package org.jagridge.web.records;

/** What people type into a heading, fitted to its column. */
final class Texts {
    private Texts() {}

    /** Without blanks around it, and no longer than {@code most} letters. */
    static String cut(String text, int most) {
        String t = text.strip();
        return t.length() <= most ? t : t.substring(0, most);
    }
}
