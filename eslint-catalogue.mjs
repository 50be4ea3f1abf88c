// A rule of this project's own: what people read stands in src/words.

/** Three words and more that begin as a sentence does. */
const SENTENCE = /^[A-Z][a-z’']+,? \S*[a-z]\S* \S*[a-z]/;
/** Calls whose text goes to the log or into a database, or names a thing to the machine. */
const UNREAD = /^(log|logger|console|db|tx|connection)\b|\.(warn|info|error|debug|fatal|execute|query)$|^sql$/;

const LETTERS = /[A-Za-z]{2}/;

function isUnread(node, source) {
  for (let at = node.parent; at; at = at.parent) {
    if (at.type === "CallExpression" && UNREAD.test(source.getText(at.callee))) return true;
    if (at.type === "TaggedTemplateExpression" || at.type === "TSLiteralType") return true;
    if (/Statement$|Declaration$|^JSX/.test(at.type)) return false;
  }
  return false;
}

/** Whether a text is compared with, so that it is a code that reads as a sentence. */
const isCode = (node) =>
  (node.parent.type === "BinaryExpression" && /^[!=]==?$/.test(node.parent.operator)) ||
  node.parent.type === "ImportDeclaration" ||
  node.parent.type === "ExpressionStatement";

export const catalogue = {
  rules: {
    "no-sentence-here": {
      meta: {
        type: "problem",
        schema: [],
        messages: { move: "A sentence for people stands in src/words: {{text}}" },
      },
      create(context) {
        const { sourceCode } = context;
        const check = (node, text) => {
          if (SENTENCE.test(text) && !isCode(node) && !isUnread(node, sourceCode))
            context.report({ node, messageId: "move", data: { text: text.slice(0, 40) } });
        };
        return {
          Literal: (node) => typeof node.value === "string" && check(node, node.value),
          TemplateLiteral: (node) => check(node, node.quasis.map((q) => q.value.cooked).join("x")),
          JSXText(node) {
            if (LETTERS.test(node.value))
              context.report({ node, messageId: "move", data: { text: node.value.trim().slice(0, 40) } });
          },
        };
      },
    },
  },
};
