import messages from '../../../messages/sheet.en.json';
import { addMessages, say } from '../../format/sentences';

/** The sentences of the sheet come with this view. */
addMessages(messages);

export { say };
