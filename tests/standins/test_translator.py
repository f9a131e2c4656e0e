"""The translator: every passage by itself, in its order, ending as it began."""

import json
import shutil
import subprocess

import pytest

from cutreel.protocol import TranslationInput, TranslationMade
from standins.kinds import MAKERS
from standins.translator import translated

STORY = [
    "The lamp was dark.",
    "“You are Pip,”",
    "said the boy on the jetty.",
    "The far shore",
    "Sources",
    "Who rowed?",
    "She took the lantern\nand ran!",
]


def test_passages_come_back_one_for_one_and_do_not_run_into_each_other() -> None:
    found = translated(STORY, "es")
    assert len(found) == len(STORY)
    assert found[0] == "La lámpara era oscura."
    assert found[1].startswith("“Eres") and found[1].endswith(",”")
    assert found[3:5] == translated(["The far shore"], "es") + translated(["Sources"], "es")
    assert not found[3].endswith(".") and found[5].endswith("?") and found[6].endswith("!")


def test_a_dictionary_of_its_own_agrees_on_single_words() -> None:
    """Debian's lttoolbox reads the same language data without the rules: what a noun is in Spanish."""
    analyser = "/usr/share/apertium/apertium-eng-spa/eng-spa.autobil.bin"
    assert shutil.which("lt-proc"), "comes with the translator"

    told = subprocess.run(
        ["lt-proc", "-b", analyser],
        input="^lantern<n><sg>$",
        capture_output=True,
        text=True,
        check=True,
    ).stdout
    word = told.split("/")[1].split("<")[0]
    assert word in translated(["She took the lantern."], "es")[0]


def test_the_offer_says_what_it_does_not_do() -> None:
    maker = MAKERS["translation"]
    offer = maker.offers(lambda name: None)[0]
    job = TranslationInput(target="es-MX", passages=STORY)
    assert maker.unknown(job, offer) == ""
    assert "“de”" in maker.unknown(job.model_copy(update={"target": "de"}), offer)
    assert "“fr”" in maker.unknown(job.model_copy(update={"source": "fr"}), offer)
    made, unused = maker.make(job, None, False)
    assert not unused
    assert len(TranslationMade.model_validate(json.loads(made[0].data)).passages) == len(STORY)


@pytest.mark.parametrize("text", ["", "…", "12", "É"])
def test_what_has_nothing_to_translate_stays(text: str) -> None:
    assert translated([text], "es") == [text]
