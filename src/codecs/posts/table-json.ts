/** Offsets as JSON, for gateways of the shop's own; every length says its unit once, at the top. */
export const TABLE_JSON = `{
  "machine": {{ machine.key | json }},
  "unit": {{ machine.unit | json }},
  "size": {{ machine.sizeRegister | json }},
  "wear": {{ table.wear | json }},
  "madeAt": {{ madeAt | json }},
  "tools": [
{%- for tool in tools %}
    { "t": {{ tool.t }}, "register": {{ tool.register }}, "length": {{ tool.kept.length | num: machine.decimals }}, "size": {{ tool.kept.size | num: machine.decimals }}, "noseRadius": {{ tool.kept.noseRadius | num: machine.decimals }}, "tip": {{ tool.tip }}, "serial": {{ tool.serial | json }}, "issue": {{ tool.issue }}, "name": {{ tool.name | json }}, "class": {{ tool.facts.toolClass | json }}, "edges": {{ tool.facts.edges | json }}, "massKg": {{ tool.facts.massKg | json }}, "slowChange": {{ tool.facts.slow | json }}, "mostRpm": {{ tool.facts.mostRpm | json }}, "lifeUsedMin": {{ tool.facts.lifeUsedMin | json }}, "lifeMaxMin": {{ tool.facts.lifeMaxMin | json }} }{% unless forloop.last %},{% endunless %}
{%- endfor %}
  ]
}
`
