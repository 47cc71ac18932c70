/** Offsets as CSV (RFC 4180), a row a tool, for gateways that read tables; the unit stands in its own column. */
export const TABLE_CSV = `T,register,unit,length,{% if machine.sizeRegister == 'diameter' %}diameter{% else %}radius{% endif %},corner radius,tip,wear,serial,issue,measured at,name\r
{% for tool in tools -%}
{{ tool.t }},{{ tool.register }},{% if machine.unit == 'inch' %}inch{% else %}mm{% endif %},{{ tool.kept.length | num: machine.decimals }},{{ tool.kept.size | num: machine.decimals }},{% if tool.cornerRadiusMm %}{{ tool.kept.noseRadius | num: machine.decimals }}{% endif %},{% if tool.tip > 0 %}{{ tool.tip }}{% endif %},{{ table.wear }},{{ tool.serial | csv }},{{ tool.issue }},{{ tool.measuredAt }},{{ tool.name | csv }}\r
{% endfor %}`
