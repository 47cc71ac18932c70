/**
 * Mill with the open-source RS-274 interpreter: G10 L1 sets a row of the tool table, Z the length, R the radius. Its L10
 * and L11 mean something else than on a word-address mill (they set a row from where the machine stands): a post
 * belongs to one machine.
 */
export const RS274_MILL = `(boulder offsets for {{ machine.key | comment }} {{ madeAt | comment }})
{% if machine.unit == 'inch' %}G20{% else %}G21{% endif %} G90
{%- for tool in tools %}
(T{{ tool.t }} {{ tool.serial | comment }} issue {{ tool.issue }} {{ tool.name | comment }})
G10 L1 P{{ tool.register }} Z{{ tool.kept.length | num: machine.decimals }} R{{ tool.kept.radius | num: halfDecimals }}
{%- endfor %}
M2
`
