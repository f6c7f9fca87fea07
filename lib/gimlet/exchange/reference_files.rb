# frozen_string_literal: true

require "yaml"
require_relative "../core/materials/elastomers"
require_relative "../core/reference_tables"
require_relative "../core/sizes/gland"
require_relative "../core/sizes/ring"

module Gimlet
  module Exchange
    # The published tables that ship in data/reference, read once. Each file names its source.
    #
    #   ReferenceFiles::TABLES.elastomers.find("nitrile").id # => "NBR"
    module ReferenceFiles
      FOLDER = File.expand_path("../../../data/reference", __dir__)
      # Field of Core::ReferenceTables => its file, and what it is read into.
      FILES = { rings: ["o_rings", Core::Sizes::Standards], fit: ["glands", Core::Sizes::Fit],
                elastomers: ["elastomers", Core::Materials::Table] }.freeze

      TABLES = Core::ReferenceTables.new(**FILES.transform_values { |name, type| type.new(YAML.load_file(File.join(FOLDER, "#{name}.yml")).freeze) })
    end
  end
end
