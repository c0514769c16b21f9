"""Geometry: outlines, the grid of cells, lattices of plants. [cm]"""
