# frozen_string_literal: true

require "yaml"
require_relative "../core/materials/elastomers"
require_relative "../core/sizes/gland"
require_relative "../core/sizes/ring"
require_relative "../core/value"

module Gimlet
  module Exchange
    # The published tables that ship in data/reference, read once and handed to the rules that rest on them. Each file names its source.
    #
    #   ReferenceFiles::TABLES.elastomers.find("nitrile").id # => "NBR"
    module ReferenceFiles
      FOLDER = File.expand_path("../../../data/reference", __dir__)
      # What a table is called => its file, and what it is read into.
      FILES = { rings: ["o_rings", Core::Sizes::Standards], fit: ["glands", Core::Sizes::Fit],
                elastomers: ["elastomers", Core::Materials::Table] }.freeze

      # One object with all of them.
      Tables = Core::Value.of(*FILES.keys)
      TABLES = Tables.new(**FILES.transform_values { |name, type| type.new(YAML.load_file(File.join(FOLDER, "#{name}.yml")).freeze) })
    end
  end
end
