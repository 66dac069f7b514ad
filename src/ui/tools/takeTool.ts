import type { Editor, ToolId } from '@/state';

/** Takes a tool up; what another one was in the middle of is left. The eyedropper remembers which, and gives it back. */
export const takeTool = (editor: Editor, tool: ToolId): void =>
  editor.setState((state) => ({
    tool,
    draft: null,
    spots: [],
    live: null,
    wanted: null,
    toolBefore: state.tool === 'eyedropper' ? state.toolBefore : state.tool,
  }));
