/**
 * Mill with geometry and wear registers: G10 L10 length, L11 its wear, L12 radius or diameter (the machine says which),
 * L13 its wear. Units and absolute values are always said, wear is set to zero with the new geometry.
 */
export const WORD_ADDRESS_MILL = `%
(BOULDER OFFSETS FOR {{ machine.key | comment }} {{ madeAt | comment }})
{% if machine.unit == 'inch' %}G20{% else %}G21{% endif %} G90
{%- for tool in tools %}
(T{{ tool.t }} {{ tool.serial | comment }} ISSUE {{ tool.issue }} {{ tool.name | comment }})
G10 L10 P{{ tool.t }} R{{ tool.lengthMm | inunit: machine.unit | num: machine.decimals }}
G10 L11 P{{ tool.t }} R{{ 0 | num: machine.decimals }}
{%- if machine.sizeRegister == 'diameter' %}
G10 L12 P{{ tool.t }} R{{ tool.diameterMm | inunit: machine.unit | num: machine.decimals }}
{%- else %}
G10 L12 P{{ tool.t }} R{{ tool.radiusMm | inunit: machine.unit | num: machine.decimals }}
{%- endif %}
G10 L13 P{{ tool.t }} R{{ 0 | num: machine.decimals }}
{%- endfor %}
M30
%
`
