import messages from '../../../messages/answer.en.json';
import { addMessages, say } from '../../format/sentences';

/** The sentences of the answer and its parts come with this view. */
addMessages(messages);

export { say };
