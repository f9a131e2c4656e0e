"""Passages labelled by hand with who speaks each quotation, in order; None: the text does not say.

Those with a source are public-domain prose, quoted from memory and shortened; the others are our own.
"""

Passage = tuple[str, str, list[str | None]]
"""Where it is from, the text, the speakers."""

OWN = "our own"

PASSAGES: list[Passage] = [
    (OWN, "“Come in,” said Maren. Pip came in. “Sit down,” said Maren.", ["Maren", "Maren"]),
    (OWN, "Maren said, “Come in.” Pip sat. Pip said, “Thank you.”", ["Maren", "Pip"]),
    (OWN, "“He follows me,” said Pip. “I have asked him not to.”\n\nPip sat.", ["Pip", "Pip"]),
    (OWN, "“Who is there?” called the boy. The boy waited.", ["the boy"]),
    (OWN, "Old Hobb laughed. “No ladder of mine,” he said.\n\nHobb left. Hobb sang.", ["Hobb"]),
    (
        OWN,
        "“One,” said Ada.\n\n“Two,” said Bram.\n\n“Three.”\n\n“Four.”\n\nAda and Bram left. Ada ran. Bram ran.",
        ["Ada", "Bram", "Ada", "Bram"],
    ),
    (OWN, "“Nobody says who I am.”", [None]),
    (OWN, "ADA: Hello.\n\nBRAM: Goodbye.", ["Ada", "Bram"]),
    (OWN, "“It works!” she cried. Ada was proud of her work. Ada smiled.", ["Ada"]),
    (OWN, "Captain Ferrand replied, “Not today.” Captain Ferrand slept.", ["Captain Ferrand"]),
    (
        OWN,
        "Ilse closed the book. “It ends badly,” she said. “They all do,” said Tobias, and Ilse laughed.",
        ["Ilse", "Tobias"],
    ),
    (
        OWN,
        "“Tobias,” said Ilse, “you are late.” Tobias hung up his coat. “The bridge is out,” he said.",
        ["Ilse", "Ilse", "Tobias"],
    ),
    (
        OWN,
        "“Where is the key?” Hester asked. Nobody moved. “I shall ask once more,” she said. Hester never did.",
        ["Hester", "Hester"],
    ),
    (
        OWN,
        "The miller scratched his head. “It was here yesterday,” the miller said. “So was I,” said the widow.",
        ["the miller", "the widow"],
    ),
    (
        OWN,
        "Nuala whispered, “Don’t turn round.” Corin turned round. “I told you,” said Nuala.",
        ["Nuala", "Nuala"],
    ),
    (OWN, "“I could,” Wren began, “but I won’t.” Wren folded her arms.", ["Wren", "Wren"]),
    (
        OWN,
        '"Stop," said Jory. "Why?" asked Petra. "Because it is Tuesday," said Jory. Petra stopped.',
        ["Jory", "Petra", "Jory"],
    ),
    (OWN, "“Look at that, Petra,” said Jory. “I am looking,” said Petra.", ["Jory", "Petra"]),
    (
        OWN,
        "Silas put down the oar. “Listen.” They listened. “There,” said Silas.",
        ["Silas", "Silas"],
    ),
    (
        OWN,
        "“Are you the doctor?” asked the girl.\n\n“I am,” said the doctor.\n\n“You are very small.”\n\n“I am a long way off.”\n\nThe girl nodded. The doctor came nearer.",
        ["the girl", "the doctor", "the girl", "the doctor"],
    ),
    (
        OWN,
        "Agnes was eating when the bell rang. Agnes looked up. “That will be the post,” she said to Rufus. Rufus said nothing.",
        ["Agnes"],
    ),
    (OWN, "“Never,” shouted Bram, “never, never, never!” Bram sat down again.", ["Bram", "Bram"]),
    (
        OWN,
        "Mrs. Pell looked at the ladder. “That is not mine,” said Mrs. Pell. “Mine had a dent.”",
        ["Mrs. Pell", "Mrs. Pell"],
    ),
    (
        OWN,
        "“We must go back,” said Odile.\n\n“We have only just come,” said Linus.\n\n“That is when one should,” Odile answered.",
        ["Odile", "Linus", "Odile"],
    ),
    (
        OWN,
        "The captain did not look round. “How many?” he asked. “Nine,” said the sailor. “Then we wait,” said the captain.",
        ["the captain", "the sailor", "the captain"],
    ),
    (
        OWN,
        "Maud wrote a word on the slate. “Read it,” she told Emeric. Emeric read it. “It says no,” he said. “Good,” said Maud.",
        ["Maud", "Emeric", "Maud"],
    ),
    (
        OWN,
        "“Has anyone seen Caspar?” said Livia. Caspar was under the table. “No,” said Caspar.",
        ["Livia", "Caspar"],
    ),
    (
        OWN,
        "He had never read “the long book” that they all spoke of. Edric was ashamed of it. Edric slept badly.",
        [],
    ),
    (
        OWN,
        "“If you go,” said Sunniva quietly, “I go too.” Matthis shook his head. “You stay,” said Matthis.",
        ["Sunniva", "Sunniva", "Matthis"],
    ),
    (
        OWN,
        "Then Hob spoke. “I did it,” he said, “with my own hands.” Nobody believed Hob.",
        ["Hob", "Hob"],
    ),
    (OWN, "“Quick!” cried Tamsin. “The tide!” And Tamsin ran.", ["Tamsin", "Tamsin"]),
    (
        OWN,
        "Anselm the gardener and Marit the cook met at the gate. “You first,” said Anselm. “No, you,” said Marit. They stood there until dark. Anselm yawned. Marit did not.",
        ["Anselm", "Marit"],
    ),
    (
        OWN,
        "«Wait,» said Oona. «For what?» said Ludo. Oona did not know. Ludo waited.",
        ["Oona", "Ludo"],
    ),
    (
        OWN,
        "“It is gone,” the keeper said at last. “What is?” “The light,” said the keeper.",
        ["the keeper", None, "the keeper"],
    ),
    (
        "Lewis Carroll, Alice’s Adventures in Wonderland, 1865",
        "“Who are you?” said the Caterpillar.\n\nAlice replied, rather shyly, “I hardly know, sir, just at present.”\n\n“What do you mean by that?” said the Caterpillar sternly. “Explain yourself!”\n\n“I can’t explain myself, I’m afraid, sir,” said Alice, “because I’m not myself, you see.”",
        ["the Caterpillar", "Alice", "the Caterpillar", "the Caterpillar", "Alice", "Alice"],
    ),
    (
        "Lewis Carroll, Alice’s Adventures in Wonderland, 1865",
        "“Have some wine,” the March Hare said in an encouraging tone.\n\nAlice looked all round the table, but there was nothing on it but tea. “I don’t see any wine,” she remarked.\n\n“There isn’t any,” said the March Hare.",
        ["the March Hare", "Alice", "the March Hare"],
    ),
    (
        "Lewis Carroll, Alice’s Adventures in Wonderland, 1865",
        "“Cheshire Puss,” Alice began, rather timidly, “would you tell me, please, which way I ought to go from here?”\n\n“That depends a good deal on where you want to get to,” said the Cat.\n\n“I don’t much care where,” said Alice.\n\n“Then it doesn’t matter which way you go,” said the Cat.",
        ["Alice", "Alice", "the Cat", "Alice", "the Cat"],
    ),
    (
        "Jane Austen, Pride and Prejudice, 1813",
        "“My dear Mr. Bennet,” said his lady to him one day, “have you heard that Netherfield Park is let at last?”\n\nMr. Bennet replied that he had not.\n\n“But it is,” returned she.",
        [None, None, None],
    ),
    (
        "Jane Austen, Pride and Prejudice, 1813",
        "“You begin to comprehend me, do you?” cried Bingley, turning towards Elizabeth.\n\n“Oh! yes, I understand you perfectly,” said Elizabeth.\n\n“I wish I might take this for a compliment,” said Bingley.",
        ["Bingley", "Elizabeth", "Bingley"],
    ),
    (
        "Arthur Conan Doyle, The Adventures of Sherlock Holmes, 1892",
        "“You see, but you do not observe,” said Holmes. “The distinction is clear.”\n\n“Frequently,” said Watson.\n\n“How often?” asked Holmes.\n\n“Some hundreds of times,” Watson answered.",
        ["Holmes", "Holmes", "Watson", "Holmes", "Watson"],
    ),
    (
        "Arthur Conan Doyle, Silver Blaze, 1892",
        "“Is there any point to which you would wish to draw my attention?” asked Gregory.\n\n“To the curious incident of the dog in the night-time,” said Holmes.\n\n“The dog did nothing in the night-time,” said Gregory.\n\n“That was the curious incident,” remarked Holmes.",
        ["Gregory", "Holmes", "Gregory", "Holmes"],
    ),
    (
        "Robert Louis Stevenson, Treasure Island, 1883",
        "“This is a handy cove,” says the captain at length; and the captain threw down three or four gold pieces. “You can tell me when I’ve worked through that,” says he.",
        ["the captain", "the captain"],
    ),
    (
        "Robert Louis Stevenson, Treasure Island, 1883",
        "“Come here, Jim,” Silver said. “Come and have a yarn with John.” And Silver stroked the parrot. Jim came nearer. “Pieces of eight!” screamed the parrot.",
        ["Silver", "Silver", "the parrot"],
    ),
    (
        "Charles Dickens, A Christmas Carol, 1843",
        "“A merry Christmas, uncle!” cried Fred. “God save you!”\n\n“Bah!” said Scrooge. “Humbug!”\n\n“You don’t mean that, I am sure,” said Fred.\n\n“I do,” said Scrooge.",
        ["Fred", "Fred", "Scrooge", "Scrooge", "Fred", "Scrooge"],
    ),
    (
        "Charles Dickens, A Christmas Carol, 1843",
        "“Who are you?” said Scrooge.\n\n“Ask me who I was,” said the Ghost.\n\n“Who were you, then?” said Scrooge, raising his voice.\n\n“In life I was your partner, Jacob Marley.”",
        ["Scrooge", "the Ghost", "Scrooge", "the Ghost"],
    ),
    (
        "Charles Dickens, Oliver Twist, 1838",
        "Oliver rose from the table, and said, somewhat alarmed at his own temerity, “Please, sir, I want some more.”\n\n“What!” said the master at length, in a faint voice.\n\n“Please, sir,” replied Oliver, “I want some more.”",
        ["Oliver", "the master", "Oliver", "Oliver"],
    ),
    (
        "Mark Twain, The Adventures of Tom Sawyer, 1876",
        "“Say, Tom, let me whitewash a little,” said Ben.\n\nTom considered, was about to consent; but he altered his mind. “No, no, I reckon it wouldn’t hardly do, Ben,” said Tom.",
        ["Ben", "Tom"],
    ),
    (
        "Mark Twain, The Adventures of Tom Sawyer, 1876",
        "“Tom!” said Aunt Polly. No answer. “What’s gone with that boy, I wonder?” said Aunt Polly.",
        ["Aunt Polly", "Aunt Polly"],
    ),
    (
        "Louisa May Alcott, Little Women, 1868",
        "“Christmas won’t be Christmas without any presents,” grumbled Jo, lying on the rug.\n\n“It’s so dreadful to be poor!” sighed Meg, looking down at her old dress.\n\n“We’ve got Father and Mother, and each other,” said Beth contentedly from her corner.",
        ["Jo", "Meg", "Beth"],
    ),
    (
        "L. Frank Baum, The Wonderful Wizard of Oz, 1900",
        "“I am Oz, the Great and Terrible,” said the Head. “Who are you, and why do you seek me?”\n\n“I am Dorothy, the Small and Meek,” said Dorothy. “I have come to you for help.”",
        ["the Head", "the Head", "Dorothy", "Dorothy"],
    ),
    (
        "L. Frank Baum, The Wonderful Wizard of Oz, 1900",
        "“Did you speak?” asked Dorothy, in wonder.\n\n“Certainly,” answered the Scarecrow. “How do you do?”\n\n“I’m pretty well, thank you,” replied Dorothy politely. “How do you do?”\n\n“I’m not feeling well,” said the Scarecrow, with a smile.",
        ["Dorothy", "the Scarecrow", "the Scarecrow", "Dorothy", "Dorothy", "the Scarecrow"],
    ),
    (
        "Kenneth Grahame, The Wind in the Willows, 1908",
        "“Hullo, Mole!” said the Water Rat.\n\n“Hullo, Rat!” said the Mole.\n\n“Would you like to come over?” inquired the Rat presently.",
        ["the Water Rat", "the Mole", "the Rat"],
    ),
    (
        "Kenneth Grahame, The Wind in the Willows, 1908",
        "“There is nothing,” said the Rat dreamily, “absolutely nothing, half so much worth doing as messing about in boats.”\n\n“Look ahead, Rat!” cried the Mole suddenly.",
        ["the Rat", "the Rat", "the Mole"],
    ),
    (
        "J. M. Barrie, Peter and Wendy, 1911",
        "“Boy,” she said courteously, “why are you crying?” Wendy sat up as Wendy always did.\n\n“What’s your name?” he asked.\n\n“Wendy Moira Angela Darling,” she replied. “What is your name?”\n\n“Peter Pan,” said Peter. Peter bowed to her.",
        ["Wendy", "Wendy", "Peter", "Wendy", "Wendy", "Peter"],
    ),
    (
        "Frances Hodgson Burnett, The Secret Garden, 1911",
        "“Who are you?” asked Mary, stopping in the path.\n\n“Ben Weatherstaff,” answered the gardener. “I’m lonely mysel’ except when he’s with me.”\n\n“I have no friends at all,” said Mary.",
        ["Mary", "the gardener", "the gardener", "Mary"],
    ),
    (
        "Frances Hodgson Burnett, The Secret Garden, 1911",
        "“Are you a ghost?” Colin whispered.\n\n“No, I am not,” Mary answered. “Are you one?”\n\n“No,” Colin replied after a moment. “I am Colin.”",
        ["Colin", "Mary", "Mary", "Colin", "Colin"],
    ),
    (
        "Oscar Wilde, The Happy Prince, 1888",
        "“Why are you weeping then?” asked the Swallow; “you have quite drenched me.”\n\n“When I was alive and had a human heart,” answered the statue, “I did not know what tears were.”",
        ["the Swallow", "the Swallow", "the statue", "the statue"],
    ),
    (
        "Oscar Wilde, The Selfish Giant, 1888",
        "“What are you doing here?” cried the Giant in a very gruff voice, and the children ran away.\n\n“My own garden is my own garden,” said the Giant; “any one can understand that.”",
        ["the Giant", "the Giant", "the Giant"],
    ),
    (
        "Rudyard Kipling, The Jungle Book, 1894",
        "“It is time to hunt again,” said Father Wolf. Father Wolf was going to spring down hill.\n\n“Good luck go with you, O Chief of the Wolves,” said the jackal.",
        ["Father Wolf", "the jackal"],
    ),
    (
        "Rudyard Kipling, The Jungle Book, 1894",
        "“Who speaks for this cub?” said Akela.\n\n“I speak for the man’s cub,” said Baloo. “There is no harm in a man’s cub.”\n\n“We need yet another,” said Akela.",
        ["Akela", "Baloo", "Baloo", "Akela"],
    ),
    (
        "L. M. Montgomery, Anne of Green Gables, 1908",
        "“What is your name?” said Marilla.\n\nThe child hesitated for a moment. “Will you please call me Cordelia?” said Anne eagerly.\n\n“Call you Cordelia?” said Marilla. “Is that your name?”\n\n“No-o-o, it’s not exactly my name,” said Anne.",
        ["Marilla", "Anne", "Marilla", "Marilla", "Anne"],
    ),
    (
        "E. Nesbit, The Railway Children, 1906",
        "“It’s stopped,” said Peter. “It’s stopped!”\n\n“Oh, Peter,” said Bobbie, “how splendid!” And Bobbie sat down on the grass.",
        ["Peter", "Peter", "Bobbie", "Bobbie"],
    ),
    (
        "The Brothers Grimm, Little Red-Cap, 1812",
        "“Oh! grandmother,” said Red-Cap, “what big ears you have!”\n\n“The better to hear you with, my child,” said the wolf.\n\n“But, grandmother, what big eyes you have!” said Red-Cap.\n\n“The better to see you with, my dear.”",
        ["Red-Cap", "Red-Cap", "the wolf", "Red-Cap", "the wolf"],
    ),
    (
        "The Brothers Grimm, The Fisherman and His Wife, 1812",
        "“Well, what does she want, then?” said the fish.\n\n“Alas,” said the fisherman, “she wants to be king.”\n\n“Go home,” said the fish; “she is king already.”",
        ["the fish", "the fisherman", "the fisherman", "the fish", "the fish"],
    ),
    (
        "Herman Melville, Moby-Dick, 1851",
        "“What do ye do when ye see a whale, men?” cried Ahab.\n\n“Sing out for him!” was the rejoinder.\n\n“Good!” cried Ahab, with a wild approval in his tones.",
        ["Ahab", None, "Ahab"],
    ),
    (
        "Mary Shelley, Frankenstein, 1818",
        "“I expected this reception,” said the daemon. “All men hate the wretched.”\n\n“Abhorred monster!” cried Frankenstein. “Fiend that thou art!”\n\n“Be calm,” said the daemon.",
        ["the daemon", "the daemon", "Frankenstein", "Frankenstein", "the daemon"],
    ),
    (
        "Bram Stoker, Dracula, 1897",
        "“Welcome to my house!” said the Count. “Enter freely and of your own will!”\n\nHarker bowed. “Count Dracula?” said Harker.\n\n“I am Dracula,” the Count replied.",
        ["the Count", "the Count", "Harker", "the Count"],
    ),
]

# Labelled after the rules were written, and not used to improve them.
HELD_OUT: list[Passage] = [
    (
        OWN,
        "“We open at nine,” the librarian told them. Oskar looked at the clock. “It is nine,” he said. “It is nearly nine,” said the librarian.",
        ["the librarian", "Oskar", "the librarian"],
    ),
    (
        OWN,
        "Greta knocked twice. No answer. “I know you are in there,” she called. “I can hear the kettle.”\n\nThe door opened. “It is a different kettle,” said Emil. Greta went in. Emil closed the door.",
        ["Greta", "Greta", "Emil"],
    ),
    (
        OWN,
        "“Seven,” counted Bo. “Eight.” The lift stopped. “Nine?” asked Lena.\n\n“There is no nine,” Bo said. Bo pressed the button again.",
        ["Bo", "Bo", "Lena", "Bo"],
    ),
    (
        OWN,
        "The widow set down her basket. “I have buried two husbands,” she said, “and neither complained.” The priest coughed. “I meant the noise,” said the priest.",
        ["the widow", "the widow", "the priest"],
    ),
    (
        OWN,
        "“Sit.” Magnus sat. “Stay,” said Dora, and Dora left the room. Magnus counted to ten. “I am not a dog,” Magnus said to the empty room.",
        ["Dora", "Dora", "Magnus"],
    ),
    (
        OWN,
        "“Did you bring it?” whispered Ines.\n\n“Of course,” said Paul.\n\n“All of it?”\n\n“All that was left.”\n\nInes shut her eyes. Paul waited.",
        ["Ines", "Paul", "Ines", "Paul"],
    ),
    (
        "Jack London, The Call of the Wild, 1903",
        "“He is no lap-dog,” said François. “Dat Buck for sure learn queek as anything.”\n\nPerrault nodded. “A good dog,” said Perrault gravely.",
        ["François", "François", "Perrault"],
    ),
    (
        "Hans Christian Andersen, The Emperor’s New Clothes, 1837",
        "“But the Emperor has nothing at all on!” said a little child.\n\n“Listen to the voice of innocence!” exclaimed the father. The Emperor was vexed. “Now the procession must go on,” thought the Emperor.",
        [None, "the father", "the Emperor"],
    ),
    (
        "Jules Verne, Around the World in Eighty Days, 1873",
        "“You are a Frenchman, I believe,” asked Phileas Fogg, “and your name is John?”\n\n“Jean, if monsieur pleases,” replied Passepartout.\n\n“What time is it?” said Fogg.\n\n“Twenty-two minutes after eleven,” returned Passepartout.",
        ["Phileas Fogg", "Phileas Fogg", "Passepartout", "Fogg", "Passepartout"],
    ),
    (
        "Edith Nesbit, Five Children and It, 1902",
        "“I won’t go,” said Jane, and Jane sat down on the sand.\n\n“You’ll have to,” said Cyril firmly. “Anthea says so.”\n\n“I do,” said Anthea.",
        ["Jane", "Cyril", "Cyril", "Anthea"],
    ),
]
