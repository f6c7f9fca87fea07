# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Materials
    # What a pump pumps, and how hot: the seals of an order are held against it, and what they are set in with. `table` is a Table.
    Service = Value.of(:table, :medium, :temperature_c) do
      # @return [String, nil] what is pumped, as it is called
      def name = table.media[medium]

      # @return [String, nil] what it does to people, where it is dangerous
      def hurts = table.hurts(medium)

      # @param part [Catalogue::Part]
      # @param lube [String, nil] what its layer is set in with
      # @return [Array<String>] a sentence for whatever does not go together
      def warnings(part, lube = nil)
        elastomer = table.find(part.spec["material"]) or return []
        known = table.lubricant(lube)
        table.call(elastomer, medium: medium, temperature_c: temperature_c, lubricant: known).reject { |one| one.verdict == "fits" }
             .map { |one| "#{part.name} #{part.number}: #{one.says}" }
      end
    end
  end
end
