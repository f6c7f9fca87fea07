# frozen_string_literal: true

require_relative "../1_catalogue/wet_end"
require_relative "../input_error"
require_relative "../value"
require_relative "extent"

module Gimlet::Core
  # The agreed work: areas, at which positions (all of them where `at` says nothing), and how far it goes.
  #
  #   Scope.of(["discharge_valves", "packings"], at: { "discharge_valves" => ["discharge valve 2"] })
  Scope = Value.of(:areas, :at, :extent)

  # Making and checking scopes.
  class Scope
    # @param areas [Array<String>] area ids
    # @param at [Hash{String=>Array<String>}] area id => positions
    # @param extent [String] of Extent::NAMES
    # @return [Scope]
    def self.of(areas, at: {}, extent: Extent::USUAL)
      areas.is_a?(Scope) ? areas : new(areas: areas, at: at || {}, extent: extent || Extent::USUAL)
    end

    # @return [Array<String>] every position that an area works on
    def self.positions(variant, area)
      (area&.stacks || []).flat_map { |id| variant.series.stack(id).positions }.uniq
    end

    # @param variant [Catalogue::Variant]
    # @param known [Array<String>] areas that the catalogue speaks of
    # @return [self]
    # @raise [InputError] where it speaks of an area that nobody knows, or of a position that the pump has not
    def check(variant, known)
      (areas - known).each { |id| InputError.reject("scope", "unknown_area", "“#{id}” is no work area: use #{known.join(', ')}.") }
      at.each { |area, positions| check_positions(variant, area, positions) }
      self
    end

    private

    def check_positions(variant, area, positions)
      unless areas.include?(area)
        InputError.reject("positions", "not_agreed",
                          "Positions are given for “#{area}”, which is not among the agreed work.")
      end
      known = Scope.positions(variant, variant.series.area(area))
      (positions - known).each do |position|
        InputError.reject("positions.#{area}", "unknown_position", "#{variant.designation} has no “#{position}”: use #{known.join(', ')}.")
      end
      InputError.reject("positions.#{area}", "no_position", "Name at least one position of #{area}, or leave positions out.") if positions.empty?
    end
  end
end
