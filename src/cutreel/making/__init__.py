"""What is made, and how: a registry of kinds and runs, and what works through them. Everything can
be repeated without harm."""

from .apart import CLIP, FACE, LEXICON, OWN, SCRIPT, SOUND, SSML, TABLE, reader
from .archiving import ArchiveFault, BroughtFilm, bring_archive, faults_in
from .asking import AskedReading, read_by_service
from .batches import ToLookAt, begin_batch, move_batches, to_look_at
from .beginning import Story, begin_film
from .by_hand import ForToday, Placed, bring_files, for_today, take_off
from .by_hand import folder_of as hand_folder
from .drifting import PersonDrift, drift_of
from .estimating import Estimate, estimate, price_of
from .faulty import Faults, broken_chains, faults_of
from .handing import timeline_of
from .kinds.following import follow_spec
from .kinds.listening import listened_key
from .kinds.picture import picture_spec
from .kinds.reading import wish_reading
from .known import REGISTRY, RunRequest
from .languages import behind, follow, keep_in_language, original_of
from .legible import contrasts
from .linking import film_to_show, is_password, make_link, note_at
from .mixing import MixDesk, mix_spec
from .moving import frame_of_film, frames_of_shot, usual_path, ways_along
from .narration import keep_narration, share_heard
from .own_sounds import keep_own, opened_sound, shelf
from .parsing import AT_ONCE, is_warm, parser, parses_of, wanted_texts, warm_parser
from .picking import PicturesWanted, wanted_pictures
from .pictures import Origin, Picture, add_take, brought_picture, keep_brought, size_of
from .planning import SHORT_SIDE, frame_size, planned_segments
from .plugging import CALLBACKS
from .preview import PreviewDesk, PreviewSound
from .published import Way, WrittenField, texts_by_writer
from .queue import Queue
from .recording import keep_recording, opened_line
from .references import ReferencesWanted, candidates
from .reporting import report_now
from .room import DISK_FULL, FULL, is_full, told_of_room
from .runner import answer_run, cancel_run, go_on_run, pause_run, start_run, try_now
from .sampling import by_offer, in_look, samples
from .services_desk import begin_check, plug_in, take_out, try_out
from .services_desk import is_going as check_is_going
from .sharing import shared
from .statements import compared_statement
from .stories import FoundStory, pace_in, stories_in, story_apart
from .telling import add_told, tell_due, try_told
from .thumbnails import thumbnail_of
from .voicing import MOST_HEARD, described_voices, heard_as, line_at, takes_of_line
from .wishing import understood_by_writer
from .workshop import Workshop, workshop_from_environment
from .writing import write

# fmt: off
__all__ = [
    "AT_ONCE",
    "CALLBACKS",
    "CLIP",
    "DISK_FULL",
    "FACE",
    "FULL",
    "LEXICON",
    "MOST_HEARD",
    "OWN",
    "REGISTRY",
    "SCRIPT",
    "SHORT_SIDE",
    "SOUND",
    "SSML",
    "TABLE",
    "ArchiveFault",
    "AskedReading",
    "BroughtFilm",
    "Estimate",
    "Faults",
    "ForToday",
    "FoundStory",
    "MixDesk",
    "Origin",
    "PersonDrift",
    "Picture",
    "PicturesWanted",
    "Placed",
    "PreviewDesk",
    "PreviewSound",
    "Queue",
    "ReferencesWanted",
    "RunRequest",
    "Story",
    "ToLookAt",
    "Way",
    "Workshop",
    "WrittenField",
    "add_take",
    "add_told",
    "answer_run",
    "begin_batch",
    "begin_check",
    "begin_film",
    "behind",
    "bring_archive",
    "bring_files",
    "broken_chains",
    "brought_picture",
    "by_offer",
    "cancel_run",
    "candidates",
    "check_is_going",
    "compared_statement",
    "contrasts",
    "described_voices",
    "drift_of",
    "estimate",
    "faults_in",
    "faults_of",
    "film_to_show",
    "follow",
    "follow_spec",
    "for_today",
    "frame_of_film",
    "frame_size",
    "frames_of_shot",
    "go_on_run",
    "hand_folder",
    "heard_as",
    "in_look",
    "is_full",
    "is_password",
    "is_warm",
    "keep_brought",
    "keep_in_language",
    "keep_narration",
    "keep_own",
    "keep_recording",
    "line_at",
    "listened_key",
    "make_link",
    "mix_spec",
    "move_batches",
    "note_at",
    "opened_line",
    "opened_sound",
    "original_of",
    "pace_in",
    "parser",
    "parses_of",
    "pause_run",
    "picture_spec",
    "planned_segments",
    "plug_in",
    "price_of",
    "read_by_service",
    "reader",
    "report_now",
    "samples",
    "share_heard",
    "shared",
    "shelf",
    "size_of",
    "start_run",
    "stories_in",
    "story_apart",
    "take_off",
    "take_out",
    "takes_of_line",
    "tell_due",
    "texts_by_writer",
    "thumbnail_of",
    "timeline_of",
    "to_look_at",
    "told_of_room",
    "try_now",
    "try_out",
    "try_told",
    "understood_by_writer",
    "usual_path",
    "wanted_pictures",
    "wanted_texts",
    "warm_parser",
    "ways_along",
    "wish_reading",
    "workshop_from_environment",
    "write",
]
# fmt: on
