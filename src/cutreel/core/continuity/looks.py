"""The looks a film can have. Each says what a picture prompt says of style, and what a picture must
avoid."""

from collections.abc import Sequence

from pydantic import BaseModel, Field

from cutreel.core.errors import BadInput

from .model import Reference
from .style import Style


class Colour(BaseModel):
    """A colour of a palette, by name and as #rrggbb."""

    name: str = Field(min_length=1, max_length=40)
    css: str = Field(pattern=r"^#[0-9a-f]{6}$")


class Look(BaseModel):
    """A film's visual style. `medium` is always in a prompt; `line`, `light`, `lens` and `era`
    where there is room.

    A look made from pictures has them as `references`, what was `measured` of them, and a
    `strength` (0 … 100) that says how much of it prompts say and how closely services are to follow
    the pictures. `true_colours`: colours look about as their names say, so that a picture can be
    held against words.
    """

    name: str = Field(pattern=r"^[a-z0-9-]{1,60}$")
    title: str = Field(min_length=1, max_length=80)
    medium: str = Field(min_length=1, max_length=120)
    line: str = Field("", max_length=120)
    palette: list[Colour] = Field([], max_length=12)
    light: str = Field("", max_length=120)
    lens: str = Field("", max_length=120)
    era: str = Field("", max_length=120)
    avoid: str = Field("", max_length=200)
    about: str = Field("", max_length=300)
    true_colours: bool = True
    own: bool = False
    strength: int = Field(50, ge=0, le=100)
    references: list[Reference] = Field([], max_length=4)
    measured: Style | None = None

    @property
    def detail(self) -> str:
        """What prompts say of it beyond the medium, most telling first."""
        return ", ".join(filter(None, (self.line, self.light, self.lens, self.era)))

    @property
    def palette_words(self) -> str:
        """The palette in words, as far as the strength asks for it: of a look made from pictures
        only, since the services know the others by their medium."""
        said = (
            [c.name for c in self.palette][: 1 + self.strength // 20]
            if self.own and self.strength >= 15
            else []
        )
        return f"palette of {', '.join(dict.fromkeys(said))}" if said else ""


def _palette(**colours: str) -> list[Colour]:
    return [Colour(name=name.replace("_", " "), css=css) for name, css in colours.items()]


LOOKS: tuple[Look, ...] = (
    Look(
        name="cut-paper",
        title="Cut paper",
        medium="layered cut paper",
        line="soft shadows, paper fibre",
        light="deep warm palette",
        palette=_palette(
            night_blue="#28385c", teal="#2c7676", rust="#ac5830", mustard="#cc9a2c", cream="#f0e2c4"
        ),
        avoid="outlines, photographic detail",
        about="Coloured sheets laid over one another, with a soft shadow under each edge.",
    ),
    Look(
        name="ink-wash",
        title="Ink and wash",
        medium="ink and wash drawing",
        line="loose ink line, pale washes",
        light="cream paper",
        palette=_palette(
            cream="#f3ead6", sepia="#8a6a4a", grey_blue="#8fa0ad", moss="#9aa07a", ink="#2c2622"
        ),
        avoid="flat saturated colour, heavy shadow",
        about="A loose ink line over pale washes on cream paper; sober enough for history.",
        true_colours=False,
    ),
    Look(
        name="stick-figures",
        title="Stick figures",
        medium="stick figures",
        line="felt pen line, white ground",
        light="one or two spot colours",
        palette=_palette(paper="#fffdf8", ink="#26221f", red="#be342a", teal="#2c7676"),
        avoid="shading, texture, gradients",
        about="Felt-pen figures on white with a spot of colour. Quick and comic.",
        true_colours=False,
    ),
    Look(
        name="shadow-theatre",
        title="Shadow theatre",
        medium="shadow theatre silhouettes",
        line="black silhouettes",
        light="glowing lamplit screen",
        palette=_palette(black="#100c0e", amber="#face78", ember="#a04a24"),
        avoid="surface detail, outlines, bright clothes",
        about="Black shapes before a lit screen; faces are told by their outline.",
        true_colours=False,
    ),
    Look(
        name="screen-print",
        title="Screen print",
        medium="screen print",
        line="flat inks, grain and misregistration",
        light="four inks on warm paper",
        palette=_palette(
            paper="#f4ead2", brick="#c4472e", ochre="#e0a43a", deep_teal="#1f5c66", ink="#28242c"
        ),
        avoid="gradients, fine detail, shading",
        about="Four flat inks on warm paper, a little out of register, as posters are pulled.",
        true_colours=False,
    ),
    Look(
        name="chalk-slate",
        title="Chalk on slate",
        medium="chalk on slate drawing",
        line="dry chalk strokes, smudges",
        light="dark slate ground",
        palette=_palette(
            slate="#2f3a3c", chalk="#ece8dc", rose="#d99a8c", blue="#9fb8c8", straw="#e2cf8f"
        ),
        avoid="glossy surfaces, hard edges, photographic detail",
        about="Dry chalk on dark slate, rubbed in and smudged. For tales told by the fire, and for teaching.",
        true_colours=False,
    ),
    Look(
        name="clay",
        title="Soft clay",
        medium="soft clay figures",
        line="rounded forms, thumb marks",
        light="studio light from the left, soft shadow",
        palette=_palette(
            sand="#e6cfa8", terracotta="#c0673f", sage="#8fa37c", sky="#9ec2cf", cocoa="#6b4a3a"
        ),
        avoid="outlines, flat colour, sharp corners",
        about="Rounded forms with light on one side and shade on the other, like modelled figures on a table.",
    ),
    Look(
        name="toned-pencil",
        title="Pencil on toned paper",
        medium="pencil drawing on toned paper",
        line="hatched shading, white highlights",
        light="buff paper showing through",
        palette=_palette(buff="#cdb896", graphite="#3b3735", white="#f6f1e6", sanguine="#a4573c"),
        avoid="flat colour, thick outlines, gloss",
        about="Graphite hatching and a little white on buff paper, with the colours only breathed on.",
        true_colours=False,
    ),
)

EVERYWHERE_AVOID = "text, watermark, extra limbs, blurred, black borders, cropped head"


def look_named(name: str, own: Sequence[Look] = ()) -> Look:
    """The look called `name` ("cut-paper" or "Cut paper"), also among a film's `own`. Raises
    BadInput with the names there are."""
    wanted = name.strip().lower().replace(" ", "-").replace("_", "-")
    for look in (*own, *LOOKS):
        if look.name == wanted or look.title.lower().replace(" ", "-") == wanted:
            return look
    names = ", ".join(k.name for k in (*LOOKS, *own))
    raise BadInput(f"There is no look called “{name}”.", f"Choose one of: {names}.")


def look_from(
    name: str,
    title: str,
    medium: str,
    references: Sequence[Reference],
    measured: Style,
    strength: int = 50,
) -> Look:
    """A look made from pictures: its palette is the measured one, its words say in which way the
    pictures are light, strong, colourful and lined."""
    palette: dict[str, Colour] = {}
    for swatch in measured.palette:
        palette.setdefault(swatch.name, Colour(name=swatch.name, css=swatch.css))
    return Look(
        name=name,
        title=title,
        medium=medium,
        palette=list(palette.values()),
        line="dense line work"
        if measured.line > 14
        else "little line"
        if measured.line < 3
        else "some line work",
        light=_light_of(measured),
        avoid="",
        about=f"Made from {len(references)} {'picture' if len(references) == 1 else 'pictures'}.",
        true_colours=False,
        own=True,
        strength=strength,
        references=list(references),
        measured=measured,
    )


def _light_of(style: Style) -> str:
    """Lightness, contrast and saturation in words a prompt can say."""
    tone = "dark" if style.lightness < 35 else "light" if style.lightness > 70 else "middle tones"
    contrast = (
        "strong contrast"
        if style.contrast > 24
        else "soft contrast"
        if style.contrast < 12
        else "even contrast"
    )
    colour = (
        "rich colour"
        if style.saturation > 32
        else "muted colour"
        if style.saturation < 14
        else "quiet colour"
    )
    return f"{tone}, {contrast}, {colour}"
