import messages from '../../../messages/studio.en.json';
import { addMessages, say } from '../../format/sentences';

addMessages(messages);

export { say };
