import { UndoStack } from './undo-stack';

describe('UndoStack', () => {
  const filled = (...values: string[]) => {
    const stack = new UndoStack<string>();
    stack.reset(values[0] ?? null);
    values.slice(1).forEach((v) => {
      stack.push(v);
    });
    return stack;
  };

  it('goes back and forth, one change at a time', () => {
    const stack = filled('a', 'b', 'c');
    stack.undo();
    expect(stack.value()).toBe('b');
    stack.undo();
    expect(stack.value()).toBe('a');
    expect([stack.canUndo(), stack.canRedo()]).toEqual([false, true]);
    stack.redo();
    stack.redo();
    expect(stack.value()).toBe('c');
    expect(stack.canRedo()).toBe(false);
  });
  it('forgets what was undone when something else is done', () => {
    const stack = filled('a', 'b');
    stack.undo();
    stack.push('c');
    expect([stack.value(), stack.canRedo()]).toEqual(['c', false]);
    stack.undo();
    expect(stack.value()).toBe('a');
  });
  it('counts no change that changes nothing', () => {
    const stack = filled('a');
    stack.push('a');
    expect(stack.canUndo()).toBe(false);
  });
  it('does nothing at its ends', () => {
    const stack = filled('a');
    stack.undo();
    stack.redo();
    expect(stack.value()).toBe('a');
    const empty = new UndoStack<string>();
    empty.undo();
    expect(empty.value()).toBeNull();
  });
  it('takes nothing back past a new beginning', () => {
    const stack = filled('a', 'b');
    stack.reset('z');
    stack.undo();
    expect([stack.value(), stack.canUndo(), stack.canRedo()]).toEqual(['z', false, false]);
  });
});
