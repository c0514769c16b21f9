"""Imported by the process that those which fill gardens are forked from: the book is read once."""

from ample_rows.api.fill_process import read_book

read_book()
