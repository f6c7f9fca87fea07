# frozen_string_literal: true

module Gimlet
  module Core
    module Catalogue
      # What a layer may be set in with, and which rubber does not bear it.
      module Lubricants
        # Whether it is made of mineral oil.
        MINERAL = { "oil" => true, "grease" => true, "lithium grease" => true, "petroleum jelly" => true, "packing lubricant" => false,
                    "silicone grease" => false, "O-ring grease" => false, "anti-seize" => true, "water" => false, "dry" => false }.freeze
        # Rubber that swells in mineral oil. Source: ISO 2230 and O-ring handbooks, fluid compatibility tables (from memory).
        SWELLS = %w[EPDM EPM].freeze

        # @param part [Part]
        # @param lube [String, nil] of MINERAL
        # @return [String, nil] a sentence
        def self.warning(part, lube)
          return unless lube && MINERAL.fetch(lube, false) && SWELLS.include?(part.spec["material"])

          "#{part.name} #{part.number} is #{part.spec['material']}: never #{lube}, which makes it swell. Use silicone grease or water."
        end
      end
    end
  end
end
