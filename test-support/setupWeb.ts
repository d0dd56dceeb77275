// jsdom finds a computed style by matching every rule of the style sheet; what tests ask it for (names, roles, what is
// hidden) hangs on inline styles and attributes here, and on the few classes that take something away or set it in line.
