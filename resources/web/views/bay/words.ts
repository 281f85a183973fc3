import messages from '../../../messages/bay.en.json';
import { addMessages, say } from '../../format/sentences';

addMessages(messages);

export { say };
