// The marker package throws outside a React server build; unit tests run the same modules in Node.
export {}
