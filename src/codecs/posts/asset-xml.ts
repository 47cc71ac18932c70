/** A CuttingTool asset document (MTConnect Part 4, element names and codes from memory); lengths always in mm. */
export const ASSET_XML = `<?xml version="1.0" encoding="UTF-8"?>
<MTConnectAssets xmlns="urn:mtconnect.org:MTConnectAssets:1.4" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance">
  <Header creationTime="{{ madeAt }}" sender="boulder" instanceId="1" version="1.4" assetBufferSize="1024" assetCount="{{ tools | size }}"/>
  <Assets>
{%- for tool in tools %}
    <CuttingTool assetId="{{ tool.serial | escape }}.{{ tool.issue }}" serialNumber="{{ tool.serial | escape }}" toolId="T{{ tool.t }}" timestamp="{{ tool.measuredAt | default: madeAt }}">
      <Description>{{ tool.name | escape }}</Description>
      <CuttingToolLifeCycle>
        <CutterStatus><Status>MEASURED</Status></CutterStatus>
        {%- if tool.facts.lifeMaxMin %}
        <ToolLife type="MINUTES" countDirection="UP" limit="{{ tool.facts.lifeMaxMin }}" initial="0">{{ tool.facts.lifeUsedMin | default: 0 | num: 1 }}</ToolLife>
        {%- endif %}
        <ProgramToolNumber>{{ tool.register }}</ProgramToolNumber>
        {%- if tool.pocket %}
        <Location type="POT">{{ tool.pocket }}</Location>
        {%- endif %}
        {%- if tool.facts.mostRpm %}
        <ProcessSpindleSpeed maximum="{{ tool.facts.mostRpm }}"/>
        {%- endif %}
        <ConnectionCodeMachineSide>{{ machine.coupling | escape }}</ConnectionCodeMachineSide>
        <Measurements>
          <FunctionalLength code="LF" units="MILLIMETER">{{ tool.kept.length | inmm: machine.unit | num: 6 }}</FunctionalLength>
          <CuttingDiameterMax code="DC" units="MILLIMETER">{{ tool.kept.diameter | inmm: machine.unit | num: 6 }}</CuttingDiameterMax>
          {%- if tool.facts.massKg %}
          <Weight code="WT" units="GRAM">{{ tool.facts.massKg | times: 1000 | num: 0 }}</Weight>
          {%- endif %}
        </Measurements>
        {%- if tool.cornerRadiusMm %}
        <CuttingItems count="{{ tool.facts.edges | default: 1 }}">
          <CuttingItem indices="1">
            <Measurements>
              <CornerRadius code="RE" units="MILLIMETER">{{ tool.kept.noseRadius | inmm: machine.unit | num: 6 }}</CornerRadius>
            </Measurements>
          </CuttingItem>
        </CuttingItems>
        {%- endif %}
      </CuttingToolLifeCycle>
    </CuttingTool>
{%- endfor %}
  </Assets>
</MTConnectAssets>
`
