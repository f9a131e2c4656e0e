/** The word under the cursor, by index. */
import { createStore } from "../../state/store";

export const cursor = createStore(0);
