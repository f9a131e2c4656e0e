"""Contact sheets: the same twelve prompts drawn in every look, to see what a look is and how well
it is drawn."""

import io
import sys
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

from PIL import Image, ImageDraw, ImageFont

from .raster import paint

LOOKS = {
    "cut paper": "Cut paper, layered, soft shadows",
    "ink and wash": "Ink and wash drawing, loose line, pale washes",
    "shadow theatre": "Shadow theatre, black silhouettes on a glowing lamplit screen",
    "screen print": "Screen print, flat inks, grain",
    "chalk on slate": "Chalk on slate, dry strokes",
    "stick figures": "Stick figures, felt pen on white",
    "clay": "Clay figures, rounded forms, studio light",
    "pencil on toned paper": "Pencil drawing on toned paper, hatched shading",
}
PROMPTS = (
    "medium shot, Ida (woman, forty, grey braid, yellow oilskin coat) lifts a lantern, jetty, dusk, worried",
    "wide shot, Ida (woman, yellow oilskin coat, braid) and Tom (boy, red jumper, short dark hair) walk, village street, snow, night",
    "close-up, Otto (old man, white beard, navy cap, blue jacket) laughing, harbour, day, face toward the camera",
    "wide shot, a fox and an owl, forest, dawn, fog",
    "medium shot, Mina (girl, bob, green dress, freckles) reading a book, study, evening, lamp",
    "extreme wide shot, Rolf (man, brown coat, hat) rowed, open sea, boat, storm",
    "wide shot, Anna (woman, curly black hair, teal dress) and Karl (stout man, bald, waistcoat, moustache) argued, kitchen, table, day",
    "wide shot, a horse and a cart, meadow, hills, day",
    "medium shot, Pia (girl, ponytail, dungarees) sat, campfire, mountain, night",
    "wide shot, Ben (boy, curly hair, striped jumper) climbing a ladder, orchard, apple, day",
    "close-up, a cat, window, rain, evening",
    "wide shot, Sol (dancer, red dress, bun) dancing, hall, candle, night",
)


def _drawn(job: tuple[str, int, str]) -> bytes:
    look, seed, prompt = job
    return paint(f"{look}; {prompt}", seed, 640, 360).flat


def sheet(looks: dict[str, str], columns: int = 4, wide: int = 320) -> Image.Image:
    """One picture of `looks`, each a named block of all prompts in `columns`."""
    high, gap, head = wide * 9 // 16, 8, 34
    rows = -(-len(PROMPTS) // columns)
    block = head + rows * (high + gap) + gap
    page = Image.new("RGB", (columns * (wide + gap) + gap, block * len(looks)), (28, 27, 30))
    pen, font = ImageDraw.Draw(page), ImageFont.load_default(18)
    with ProcessPoolExecutor(2) as pool:
        jobs = [(words, 40 + i, prompt) for words in looks.values() for i, prompt in enumerate(PROMPTS)]
        made = list(pool.map(_drawn, jobs))
    for n, name in enumerate(looks):
        pen.text((gap, n * block + 8), name, (232, 228, 220), font=font)
        for i in range(len(PROMPTS)):
            one = Image.open(io.BytesIO(made[n * len(PROMPTS) + i])).resize((wide, high), Image.Resampling.LANCZOS)
            page.paste(one, (gap + i % columns * (wide + gap), n * block + head + i // columns * (high + gap)))
    return page


def main(folder: Path) -> None:
    """Draw looks-1.jpg and looks-2.jpg into `folder`."""
    names = list(LOOKS)
    for number, part in enumerate((names[:4], names[4:]), 1):
        page = sheet({n: LOOKS[n] for n in part})
        page.save(folder / f"looks-{number}.jpg", quality=82, optimize=True, progressive=True)


if __name__ == "__main__":
    main(Path(sys.argv[1]))
