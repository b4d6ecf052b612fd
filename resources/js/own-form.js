// The making of a form: blanks and marks are placed, moved and described on its pages. Every change goes to the server as
// it is made, with a key of its own; while there is no connection changes wait on the device, in order.

import { flush, resume } from './own-form/store.js';
import './own-form/drawing.js';

window.addEventListener('pagehide', flush);
resume();
