"""Routes of photos: sent, made small, shown by place and day."""

from typing import Annotated, Any

from fastapi import APIRouter, Depends, Query, Response

from ample_rows.api.gardens import Body, Garden, Store
from ample_rows.api.problems import RESPONSES
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.plan import Ident, PlanDate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.parts import Photo
from ample_rows.store import record_parts
from ample_rows.store.photo_files import NoPictureError, PhotoFiles
from ample_rows.store.record_parts import RecordParts

router = APIRouter(prefix="/api/gardens/{slug}", tags=["record"], responses=RESPONSES)

_PICTURE: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"image/*": {"schema": {"type": "string", "format": "binary"}}},
    }
}
# What a file is named after is what is in it: it never changes.
_FOR_EVER = {"cache-control": "private, max-age=31536000, immutable"}


def photos_of(store: Store) -> RecordParts[Photo]:
    return record_parts.photos(store.database)


def files_of(store: Store) -> PhotoFiles:
    return PhotoFiles(store.database.folder)


Photos = Annotated[RecordParts[Photo], Depends(photos_of)]
Files = Annotated[PhotoFiles, Depends(files_of)]


@router.get("/photos")
def list_photos(
    slug: str,
    photos: Photos,
    *,
    since: PlanDate | None = None,
    until: PlanDate | None = None,
    place: str | None = None,
) -> list[Photo]:
    """Photos, the newest first; with a place, those of it and of what grows there."""
    found = photos.every(slug, since=since, until=until)
    return [photo for photo in found if place in (None, photo.place)]


@router.put("/photos/{photo}", status_code=201, openapi_extra=_PICTURE)
def keep_photo(
    slug: str,
    photo: Ident,
    day: PlanDate,
    body: Body,
    *,
    photos: Photos,
    files: Files,
    here: Garden,
    place: str | None = None,
    planting: str | None = None,
    text: Annotated[str | None, Query(max_length=400)] = None,
) -> Photo:
    """Keep a picture under an id: upright, small enough, without where and by what it was taken.
    Sent twice, it is kept once."""
    if planting is not None:
        place = here.planting(planting).place
    if place is not None:
        here.place(place)
    try:
        picture = files.keep(body)
    except NoPictureError as error:
        raise PlanFaultsError.one("picture", str(error).removesuffix(".")) from error
    kept = Photo(
        id=photo,
        day=day,
        place=place,
        planting=planting,
        text=text,
        file=picture.file,
        width=picture.width,
        height=picture.height,
    )
    photos.keep(slug, kept, ident=photo, day=day)
    return kept


@router.get(
    "/photos/{photo}/picture",
    response_class=Response,
    responses={200: {"content": {"image/jpeg": {}}}},
)
def read_picture(
    slug: str, photo: str, photos: Photos, files: Files, *, small: bool = False
) -> Response:
    """The picture itself, as a JPEG."""
    picture = files.read(photos.one(slug, photo).file, small=small)
    if picture is None:
        raise UnknownPartError(kind="picture file", ident=photo)
    return Response(picture, media_type="image/jpeg", headers=_FOR_EVER)


@router.delete("/photos/{photo}", status_code=204, response_class=Response)
def remove_photo(slug: str, photo: str, photos: Photos) -> None:
    """Take a photo out; it can be put back."""
    photos.remove(slug, photo)


@router.post("/photos/{photo}/put-back")
def put_back_photo(slug: str, photo: str, photos: Photos) -> Photo:
    """Put back a photo that was taken out."""
    return photos.put_back(slug, photo)
