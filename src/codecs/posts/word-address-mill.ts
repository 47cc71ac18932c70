/**
 * Mill with geometry and wear registers: G10 L10 length, L11 its wear, L12 radius or diameter (the machine says which),
 * L13 its wear. Units and absolute values are always said; wear is set with the new geometry to what the tool brings
 * along, mostly zero, or left.
 */
export const WORD_ADDRESS_MILL = `%
(BOULDER OFFSETS FOR {{ machine.key | comment }} {{ madeAt | comment }})
{% if machine.unit == 'inch' %}G20{% else %}G21{% endif %} G90
{%- for tool in tools %}
(T{{ tool.t }} {{ tool.serial | comment }} ISSUE {{ tool.issue }} {{ tool.name | comment }})
G10 L10 P{{ tool.register }} R{{ tool.kept.length | num: machine.decimals }}
{%- if table.wear == 'zero' %}
G10 L11 P{{ tool.register }} R{{ tool.kept.lengthWear | num: machine.decimals }}
{%- endif %}
G10 L12 P{{ tool.register }} R{{ tool.kept.size | num: machine.decimals }}
{%- if table.wear == 'zero' %}
G10 L13 P{{ tool.register }} R{{ tool.kept.sizeWear | num: machine.decimals }}
{%- endif %}
{%- endfor %}
M30
%
`
