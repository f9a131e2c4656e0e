/** The word under the cursor, by index. */
import { createStore, useStore } from "../../state/store";

export const cursor = createStore(0);
export const useCursor = () => useStore(cursor);
