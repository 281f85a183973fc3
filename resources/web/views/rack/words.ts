import messages from '../../../messages/rack.en.json';
import { addMessages, say } from '../../format/sentences';

addMessages(messages);

export { say };
