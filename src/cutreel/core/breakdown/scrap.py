"""What is too little for a shot. Of the cut's weights these are known to its compiled loop: change one, and the
`__pycache__` of this folder has to go."""

SCRAP_SECONDS = 1.4  # seconds below which a picture is not taken in
SCRAP_WORDS = 3  # words below which a shot has no thought of its own
SCRAP = 3.0  # what nothing but a mark of the maker's own may cost
FEW_WORDS = 1.5  # a scrap by its words that is long enough by its time
