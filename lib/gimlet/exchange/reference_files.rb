# frozen_string_literal: true

require "yaml"
require_relative "../core/materials/elastomers"
require_relative "../core/sizes/gland"
require_relative "../core/sizes/ring"

module Gimlet
  module Exchange
    # The published tables that ship in data/reference, read once.
    module ReferenceFiles
      FOLDER = File.expand_path("../../../data/reference", __dir__)

      module_function

      def read(name) = YAML.load_file(File.join(FOLDER, "#{name}.yml")).freeze

      STANDARDS = Core::Sizes::Standards.new(read("o_rings"))
      ELASTOMERS = Core::Materials::Table.new(read("elastomers"))
      FIT = Core::Sizes::Fit.new(read("glands"))
    end
  end
end
