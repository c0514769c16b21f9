"""Covers: mesh, fleece, shade, nets and ground cloth over a block of squares."""
