# frozen_string_literal: true

require_relative "../1_catalogue/shapes"
require_relative "../value"

module Gimlet::Core
  module Plan
    # What hands do on every such job, whatever the pump: said once, not in each sheet. Common practice, no source.
    module UsualActs
      # Said at `moment`, where `due` of a job is so; `tools` are taken for it.
      Act = Value.of(:moment, :due, :text, :tools)

      RENEWED = %w[replace_always replace_if_removed].freeze

      # moment, due, text, tools
      ALL = [
        [:before, :always?, "Brush dirt away before a cap, a plug or a joint is opened.", ["wire brush"]],
        [:before, :always?, "Note or photograph how each piece sits; lay the old ones down in order, by cylinder."],
        [:before, :always?, "Even force, and soft: no metal tool touches a bore, a ceramic or a seal face."],
        [:before, :patterned?, "Loosen in the reverse of the order on the drawings; round a flange a quarter turn at a time."],
        [:before, :hex?, "A bolt whose key slips: seat the key with a punch and a hammer before you turn it. An impact wrench loosens, it never " \
                         "tightens."],
        [:before, :rings_stay?, "O-rings that may go back are pushed out with the thumbs, never picked."],
        [:look, :plungers_stay?, "Wipe each plunger with something that evaporates and turn it in good light before the seals go in: lines, " \
                                 "cracks, chips, or a dull band where the seals run wear new seals out. Then stop, and have it renewed with them.",
         ["clean cloth", "lamp"]],
        [:seals, :manifold_off?, "Lay the manifold over, crankcase side up, so that the small seals can be reached."],
        [:seals, :seals_out?, "A seal is pried from its notch or its soft side with a small blunt blade, never against the seat. What is pushed " \
                              "goes straight, never forced.", ["small blunt blade"]],
        [:seals, :seals_out?, "Read each old seal and ring before it is thrown away: inside edge, outside, garter spring; burnt, " \
                              "nibbled or hard, it says what wore it."],
        [:seals, :seals_out?, "Look into the bore before anything goes in. A seal is seated by its outer edge."],
        [:closing, :always?, "Look over and clean the threads of bolts, caps and plugs. Rings lie flat and uncreased before the last part closes. " \
                             "Handles, pins, adapters come off again: count every tool back."]
      ].map { |moment, due, text, tools| Act.new(moment: moment, due: due, text: text, tools: tools || []) }.freeze

      module_function

      # @param moment [Symbol] :before, :look, :seals or :closing
      # @param teardown [Teardown]
      # @return [Array<Act>]
      def at(moment, teardown) = ALL.select { |act| act.moment == moment && send(act.due, teardown) }

      def always?(_) = true
      def patterned?(teardown) = teardown.fasteners.any? { |fastener| fastener.pattern != :each }
      def hex?(teardown) = teardown.fasteners.any? { |fastener| fastener.drive.match?(/\bhex\b/i) }
      def rings_stay?(teardown) = layers(teardown).any? { |layer| Catalogue::Shapes.of(layer.shape).ring && !RENEWED.include?(layer.reuse) }
      def seals_out?(teardown) = layers(teardown).any? { |layer| Catalogue::Shapes.of(layer.shape).lips }
      def layers(teardown) = teardown.places.map(&:layer)

      # Where packings are renewed and plungers are not: new packings on a bad plunger are the classic come-back.
      def plungers_stay?(teardown)
        agreed = teardown.areas.map(&:id)
        agreed.include?("packings") && !agreed.include?("plungers") &&
          teardown.variant.series.areas_of(teardown.variant).any? { |area| area.id == "plungers" }
      end

      def manifold_off?(teardown) = teardown.groups.any? { |group| group.name.match?(/\bmanifold\b/i) } && seals_out?(teardown)
    end
  end
end
