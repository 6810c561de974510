/** What a program says on its error console is read by nobody in a long run: in a test it is a failure. */
const { format } = require('node:util');

/** The chart library hands touches of a phone to the drawing library, which names them to the DOM: nothing of ours. */
const NOT_OURS = /^Unknown event handler property `on(StartShouldSetResponder|Responder\w+|PressIn|PressOut|Press)`/;
const isOurs = (text) => !NOT_OURS.test(text);

let said = [];
const keep = (name) => {
  console[name] = (...args) => {
    const text = format(...args);
    if (isOurs(text)) said.push(`console.${name}: ${text}`);
  };
};
beforeEach(() => {
  said = [];
  keep('error');
  keep('warn');
});
afterEach(() => {
  if (said.length > 0) throw new Error(`said on the console, and nobody expected it:\n${said.join('\n')}`);
});
