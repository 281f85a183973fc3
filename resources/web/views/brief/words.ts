import messages from '../../../messages/brief.en.json';
import { addMessages, say } from '../../format/sentences';

/** The sentences of the brief come with this view. */
addMessages(messages);

export { say };
