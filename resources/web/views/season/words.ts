import messages from '../../../messages/season.en.json';
import { addMessages, say } from '../../format/sentences';

addMessages(messages);

export { say };
