"""One film: its document, the changes a maker makes to it, and what is read out of it."""

from .acting import VOICE_RATE, FigureTold, PlannedAct, acts_planned, acts_told, figures_in, named
from .air import PlannedAir, air_planned
from .assembled import Assembled, assemble
from .captions_read import UnreadCaption, captions_unread
from .casting import (
    Direction,
    directions_of,
    language_spoken,
    narrator_of,
    scene_choices,
    voices_for,
)
from .changes import Change, Command, apply_command, apply_to
from .choosing import ChosenShots, chosen_by
from .compared import Passage, ReadOtherwise, check_meant, passages, read_otherwise
from .cue_sheet import cue_sheet
from .cues import makings_of, theme_names, word_of
from .cuts import CutDifference, cut_differences
from .difference import Patch, completed, turned_by
from .document import (
    AsideScene,
    CueChoice,
    CutOut,
    FilmDocument,
    GivenShot,
    GivenSource,
    LaneChoice,
    LevelPoint,
    Narration,
    OwnFace,
    OwnLine,
    OwnSound,
    OwnTable,
    PlacedCue,
    Recording,
    SceneChoice,
    Settings,
    Shot,
    Source,
    TensionPoint,
    clean_text,
    new_film,
)
from .drawn_by import all_drawn_by
from .excerpts import Excerpt, excerpt_of
from .exporting import MEDIA_TYPES, export_script
from .finishes import FilmFinish
from .handing import ShotFile, SoundFile, handed, shot_name, sound_names
from .heads import Head, heads_in, heads_told
from .house import (
    HouseStyle,
    StyleChange,
    StyleFile,
    changes_of,
    style_of,
    styled,
    without_pictures,
)
from .joins import FilmJoin
from .languages import (
    PassageRow,
    ScreenRow,
    Untranslated,
    following,
    in_language,
    passage_rows,
    screen_rows,
    untranslated,
)
from .lengths import LengthOf, lengths
from .levels import levels_of
from .made import Result, TakeRow, focus_of, is_fresh, used_take
from .moving import fits_take, targets_in
from .names_said import NameSaid, names_said
from .naming import name_for
from .offered import USUAL_PROMPT, USUAL_TEXT, Offered, VoiceOffered
from .pacing import wish_of
from .pack import PACK_TYPES, Match, match_files, pack_of
from .plan import FilmPlan, plan_of, written_plan
from .plates import doubts_of, has_plate, proposed_for
from .prompts import ShotPrompts, prompts_of
from .publishing import (
    chapters_of,
    credits_of,
    drafted_texts,
    lacking_licences,
    opening_of,
    titles_for,
)
from .reading import ReadFilm, ReadingMemory, ReadShot, read_film
from .remarks import Remark, RemarkMemory, remarks_on, wanted_lengths
from .report import Looked, SoundMeasured, report_before
from .said import said_for
from .screening import (
    PlacedNote,
    ScreenedScene,
    notes_table,
    placed_notes,
    screened_scenes,
    spelled,
)
from .shape import Aspect, is_upright, proportion
from .side_captions import Beneath, SideCaptions, captions_in
from .speaking import LineWork, cleaning_of, line_key, recordable, recorded_key
from .ssml import SsmlTaken, ssml_of, ssml_taken
from .thumbnails import near_shot, pictured_thumbnails, proposed_thumbnails, words_for
from .tightening import longest_of, tightened
from .timeline_back import BackChange, changes_back
from .titles import title_look_of
from .wishes import Proposal, Understood, WishCommand, understood
from .wording import Edit, FoundPlace, find_places, name_places
from .worth import Worth, worth_of

# fmt: off
__all__ = [
    "MEDIA_TYPES",
    "PACK_TYPES",
    "USUAL_PROMPT",
    "USUAL_TEXT",
    "VOICE_RATE",
    "AsideScene",
    "Aspect",
    "Assembled",
    "BackChange",
    "Beneath",
    "Change",
    "ChosenShots",
    "Command",
    "CueChoice",
    "CutDifference",
    "CutOut",
    "Direction",
    "Edit",
    "Excerpt",
    "FigureTold",
    "FilmDocument",
    "FilmFinish",
    "FilmJoin",
    "FilmPlan",
    "FoundPlace",
    "GivenShot",
    "GivenSource",
    "Head",
    "HouseStyle",
    "LaneChoice",
    "LengthOf",
    "LevelPoint",
    "LineWork",
    "Looked",
    "Match",
    "NameSaid",
    "Narration",
    "Offered",
    "OwnFace",
    "OwnLine",
    "OwnSound",
    "OwnTable",
    "Passage",
    "PassageRow",
    "Patch",
    "PlacedCue",
    "PlacedNote",
    "PlannedAct",
    "PlannedAir",
    "Proposal",
    "ReadFilm",
    "ReadOtherwise",
    "ReadShot",
    "ReadingMemory",
    "Recording",
    "Remark",
    "RemarkMemory",
    "Result",
    "SceneChoice",
    "ScreenRow",
    "ScreenedScene",
    "Settings",
    "Shot",
    "ShotFile",
    "ShotPrompts",
    "SideCaptions",
    "SoundFile",
    "SoundMeasured",
    "Source",
    "SsmlTaken",
    "StyleChange",
    "StyleFile",
    "TakeRow",
    "TensionPoint",
    "Understood",
    "UnreadCaption",
    "Untranslated",
    "VoiceOffered",
    "WishCommand",
    "Worth",
    "acts_planned",
    "acts_told",
    "air_planned",
    "all_drawn_by",
    "apply_command",
    "apply_to",
    "assemble",
    "captions_in",
    "captions_unread",
    "changes_back",
    "changes_of",
    "chapters_of",
    "check_meant",
    "chosen_by",
    "clean_text",
    "cleaning_of",
    "completed",
    "credits_of",
    "cue_sheet",
    "cut_differences",
    "directions_of",
    "doubts_of",
    "drafted_texts",
    "excerpt_of",
    "export_script",
    "figures_in",
    "find_places",
    "fits_take",
    "focus_of",
    "following",
    "handed",
    "has_plate",
    "heads_in",
    "heads_told",
    "in_language",
    "is_fresh",
    "is_upright",
    "lacking_licences",
    "language_spoken",
    "lengths",
    "levels_of",
    "line_key",
    "longest_of",
    "makings_of",
    "match_files",
    "name_for",
    "name_places",
    "named",
    "names_said",
    "narrator_of",
    "near_shot",
    "new_film",
    "notes_table",
    "opening_of",
    "pack_of",
    "passage_rows",
    "passages",
    "pictured_thumbnails",
    "placed_notes",
    "plan_of",
    "prompts_of",
    "proportion",
    "proposed_for",
    "proposed_thumbnails",
    "read_film",
    "read_otherwise",
    "recordable",
    "recorded_key",
    "remarks_on",
    "report_before",
    "said_for",
    "scene_choices",
    "screen_rows",
    "screened_scenes",
    "shot_name",
    "sound_names",
    "spelled",
    "ssml_of",
    "ssml_taken",
    "style_of",
    "styled",
    "targets_in",
    "theme_names",
    "tightened",
    "title_look_of",
    "titles_for",
    "turned_by",
    "understood",
    "untranslated",
    "used_take",
    "voices_for",
    "wanted_lengths",
    "wish_of",
    "without_pictures",
    "word_of",
    "words_for",
    "worth_of",
    "written_plan",
]
# fmt: on
