/**
 * A block for the open-source RS-274 interpreter, to be pasted before the cut: the tool touches the setter, and a program whose tool has
 * changed by more than is allowed stops there. Lengths in the machine's unit.
 */
export const CHECK_RS274 = `(BOULDER CHECK: T{{ check.t }} {{ check.feature | comment }}, {{ check.allowed }} ALLOWED)
{% if machine.unit == 'inch' %}G20{% else %}G21{% endif %} G90 G94 G40
T{{ check.t }} M6
G43 H{{ check.t }}
G0 {{ check.axis }}{{ check.clear }}
G38.2 {{ check.axis }}{{ check.beyond }} F{{ check.feed }}
#<off> = [#{{ check.parameter }} - {{ check.setter }}]
O{{ check.label }} if [ABS[#<off>] GT {{ check.allowed }}]
(MSG, T{{ check.t }} {{ check.feature | comment }} CHANGED. LOOK AT THE TOOL)
M0
O{{ check.label }} endif
G0 {{ check.axis }}{{ check.clear }}
`
