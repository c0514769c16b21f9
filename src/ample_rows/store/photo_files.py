"""The pictures of the data folder: made small, without what a camera wrote into them, kept once."""

import hashlib
import io
import warnings
from dataclasses import dataclass
from pathlib import Path

from PIL import Image, ImageOps, UnidentifiedImageError

from ample_rows.core.errors import AmpleRowsError
from ample_rows.store.errors import of_disk
from ample_rows.store.folder import OWNER_FOLDER, write_own

FOLDER = "photos"
_LONGEST_PX = 1600
_SMALL_PX = 360
_QUALITY = 82
_MOST = 60
_MOST_PIXELS = _MOST * 1_000_000
_READ = ("JPEG", "PNG", "WEBP")


class NoPictureError(AmpleRowsError, ValueError):
    """What was sent is no picture that can be kept; the words say why."""


@dataclass(frozen=True, slots=True)
class Picture:
    """A picture as it is kept: the name of its file, and its size. [px]"""

    file: str
    width: int
    height: int


class PhotoFiles:
    """The picture files of one data folder, each named after what is in it."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder / FOLDER

    def keep(self, raw: bytes) -> Picture:
        """Keep a picture, upright, at most 1,600 px long, without place, time or camera.

        Raises:
            NoPictureError: No picture, a kind that cannot be read, or far too large.
        StorageError: The disk cannot take it.
        """
        image = _read(raw)
        image.thumbnail((_LONGEST_PX, _LONGEST_PX))
        text = _jpeg(image)
        name = hashlib.sha256(text).hexdigest()[:40]
        self._write(f"{name}.jpg", text)
        size = image.size
        image.thumbnail((_SMALL_PX, _SMALL_PX))
        self._write(f"{name}-small.jpg", _jpeg(image))
        return Picture(name, *size)

    def read(self, name: str, *, small: bool) -> bytes | None:
        """A picture that was kept, None where its file is gone."""
        path = self._folder / f"{name}{'-small' if small else ''}.jpg"
        return path.read_bytes() if path.is_file() else None

    def _write(self, name: str, text: bytes) -> None:
        path = self._folder / name
        if path.exists():
            return
        try:
            self._folder.mkdir(mode=OWNER_FOLDER, exist_ok=True)
            write_own(path, text)
        except OSError as error:
            raise of_disk(error) from error


def _read(raw: bytes) -> Image.Image:
    """The picture, turned upright. Its size is read before its pixels are."""
    try:
        with warnings.catch_warnings():
            # The size is looked at here, before anything is unpacked.
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            image = Image.open(io.BytesIO(raw), formats=_READ)
        if image.width * image.height > _MOST_PIXELS:
            raise NoPictureError(
                f"This picture has {image.width} × {image.height} pixels; send one of at most "
                f"{_MOST} million."
            )
        return ImageOps.exif_transpose(image).convert("RGB")
    except UnidentifiedImageError as error:
        raise NoPictureError("This is no picture that can be read: send JPEG, PNG or WebP.") from (
            error
        )
    except Image.DecompressionBombError as error:
        raise NoPictureError(
            f"This picture has too many pixels; send one of at most {_MOST} million."
        ) from error
    except (OSError, ValueError, SyntaxError) as error:
        if isinstance(error, NoPictureError):
            raise
        raise NoPictureError("This picture is damaged: only part of it came.") from error


def _jpeg(image: Image.Image) -> bytes:
    out = io.BytesIO()
    image.save(out, "JPEG", quality=_QUALITY, optimize=True)
    return out.getvalue()
