/** The open-source interpreter's tool table as text: T, pocket P, diameter D, length Z, a remark after the semicolon; machine units. */
export const TOOL_TABLE = `; boulder {{ machine.key | comment }} {{ madeAt | comment }} units {% if machine.unit == 'inch' %}inch{% else %}mm{% endif %}
{% for tool in tools -%}
T{{ tool.register }} P{{ tool.pocket | default: tool.register }} D{{ tool.kept.diameter | num: machine.decimals }} Z{{ tool.kept.length | num: machine.decimals }} ;T{{ tool.t }} {{ tool.serial | comment }} {{ tool.name | comment }}
{% endfor %}`
