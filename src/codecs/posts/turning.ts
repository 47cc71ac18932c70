/**
 * Turning, word address: G10 P with 10000 added writes geometry (X, Z, nose radius R, tip Q), P alone its wear. X is a
 * radius or a diameter as the machine says.
 */
export const TURNING = `%
(BOULDER OFFSETS FOR {{ machine.key | comment }} {{ madeAt | comment }})
{% if machine.unit == 'inch' %}G20{% else %}G21{% endif %}{% if table.absoluteWord %} G90{% endif %}
{%- for tool in tools %}
(T{{ tool.t }} {{ tool.serial | comment }} ISSUE {{ tool.issue }} {{ tool.name | comment }})
G10 P{{ tool.register | plus: 10000 }} X{{ tool.kept.size | num: machine.decimals }} Z{{ tool.kept.length | num: machine.decimals }} R{{ tool.kept.noseRadius | num: machine.decimals }} Q{{ tool.tip }}
{%- if table.wear == 'zero' %}
G10 P{{ tool.register }} X{{ tool.kept.sizeWear | num: machine.decimals }} Z{{ tool.kept.lengthWear | num: machine.decimals }}
{%- endif %}
{%- endfor %}
M30
%
`
