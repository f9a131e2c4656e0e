"""The looks a film can have. Each says what a picture prompt says of style, and what a picture must avoid."""

from pydantic import BaseModel

from cutreel.core.errors import BadInput


class Look(BaseModel):
    """A film's visual style. `medium` is always in a prompt, `detail` where there is room."""

    name: str
    title: str
    medium: str
    detail: str
    avoid: str
    about: str


LOOKS: tuple[Look, ...] = (
    Look(
        name="cut-paper",
        title="Cut paper",
        medium="layered cut paper",
        detail="soft shadows, paper fibre, deep warm palette",
        avoid="outlines, photographic detail",
        about="Coloured sheets laid over one another, with a soft shadow under each edge.",
    ),
    Look(
        name="ink-wash",
        title="Ink and wash",
        medium="ink and wash drawing",
        detail="loose ink line, pale washes, cream paper",
        avoid="flat saturated colour, heavy shadow",
        about="A loose ink line over pale washes on cream paper; sober enough for history.",
    ),
    Look(
        name="stick-figures",
        title="Stick figures",
        medium="stick figures",
        detail="felt pen line, white ground, one or two spot colours",
        avoid="shading, texture, gradients",
        about="Felt-pen figures on white with a spot of colour. Quick and comic.",
    ),
    Look(
        name="shadow-theatre",
        title="Shadow theatre",
        medium="shadow theatre silhouettes",
        detail="black silhouettes, glowing lamplit screen",
        avoid="surface detail, outlines, bright clothes",
        about="Black shapes before a lit screen; faces are told by their outline.",
    ),
)

EVERYWHERE_AVOID = "text, watermark, extra limbs, blurred, black borders, cropped head"


def look_named(name: str) -> Look:
    """The look called `name` ("cut-paper" or "Cut paper"). Raises BadInput with the names there are."""
    wanted = name.strip().lower().replace(" ", "-").replace("_", "-")
    for look in LOOKS:
        if look.name == wanted or look.title.lower().replace(" ", "-") == wanted:
            return look
    raise BadInput(f"There is no look called “{name}”.", "Choose one of: " + ", ".join(k.name for k in LOOKS) + ".")
