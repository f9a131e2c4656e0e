"""Pictures: drawn by a prompt, or changed under a mask."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, Offer, PictureInput, Price, Understood

from ..illustrator import Masses, Reference, Wish, masses_of, paint, retouch
from .base import Done, Made, Maker, Quotas

# fmt: off
UNDERSTOOD: list[Understood] = [
    "seed", "references", "masks", "regions", "layers", "variations", "guides", "poses", "jointed",
]
# fmt: on


class PictureMaker(Maker[PictureInput]):
    quotas: ClassVar[dict[str, int]] = {"illustrator-quick": 2000, "illustrator-fine": 400}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="illustrator-quick",
                kind="picture",
                title="Illustrator, quick",
                price=Price(amount=Decimal("0.003"), per="picture"),
                caps=Caps(prompt_characters=400, count=4, width=1280, height=1280),
                quota=quota("illustrator-quick"),
                parallel=4,
                seconds_each=1.0,
                understands=UNDERSTOOD,
                simulated=True,
            ),
            Offer(
                name="illustrator-fine",
                kind="picture",
                title="Illustrator, fine",
                price=Price(amount=Decimal("0.05"), per="picture"),
                caps=Caps(prompt_characters=900, count=4, width=2560, height=2560),
                quota=quota("illustrator-fine"),
                parallel=2,
                seconds_each=2.5,
                understands=[*UNDERSTOOD, "negative", "weights"],
                simulated=True,
            ),
        ]

    def text(self, job: PictureInput) -> str:
        return job.prompt

    def amount(self, job: PictureInput) -> int:
        return job.count

    def refers_to(self, job: PictureInput) -> list[str]:
        return [
            *([job.guide.sha256] if job.guide else []),
            *(r.sha256 for r in job.references),
            *((job.retouch.base, job.retouch.mask) if job.retouch else ()),
        ]

    def beyond(self, job: PictureInput, caps: Caps) -> str:
        large = job.width > (caps.width or 1e9) or job.height > (caps.height or 1e9)
        if job.count > caps.count or large:
            return f"At most {caps.count} pictures of {caps.width} by {caps.height}."
        return ""

    def make(self, job: PictureInput, kept: Path, fine: bool) -> Done:
        return _retouched(job, kept) if job.retouch else _drawn(job, kept, fine)


def _retouched(job: PictureInput, kept: Path) -> Done:
    assert job.retouch is not None
    base, mask = ((kept / n).read_bytes() for n in (job.retouch.base, job.retouch.mask))
    files: list[Made] = []
    unused: list[str] = []
    for i in range(job.count):
        data, unused = retouch(base, mask, job.prompt, job.seed + i)
        files.append(Made(f"picture-{i}", "image/png", data, {"seed": job.seed + i}))
    return files, unused


def _drawn(job: PictureInput, kept: Path, fine: bool) -> Done:
    guide = (
        masses_of((kept / job.guide.sha256).read_bytes(), job.guide.strength)
        if job.guide
        else Masses()
    )
    wish = Wish(tuple(job.poses), guide, job.vary, fine=fine, jointed=job.jointed)
    follow = [Reference((kept / r.sha256).read_bytes(), r.strength, r.name) for r in job.references]
    files: list[Made] = []
    unused: list[str] = []
    for i in range(job.count):
        picture = paint(
            job.prompt,
            job.seed + i,
            job.width,
            job.height,
            follow,
            job.negative,
            job.lighter,
            wish=wish,
        )
        unused = picture.unused
        about = {
            "seed": job.seed + i,
            "regions": picture.regions,
            "place": picture.place,
            "flames": picture.flames,
        }
        files.append(Made(f"picture-{i}", "image/png", picture.flat, about))
        files += [
            Made(f"picture-{i}-layer-{n}", "image/png", data, {"depth": depth})
            for n, (data, depth) in enumerate(picture.layers)
        ]
        files += [
            Made(f"picture-{i}-drawing-{n}", "image/svg+xml", data, {"layer": n})
            for n, data in enumerate(picture.drawings)
        ]
        files += [
            Made(
                f"picture-{i}-strip-{n}",
                "image/png",
                s.png,
                {"layer": s.layer}
                | ({"figure": s.figure} if s.figure else {})
                | ({"moves": s.moves} if s.moves else {}),
            )
            for n, s in enumerate(picture.strips)
        ]
    return files, unused
