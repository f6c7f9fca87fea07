# frozen_string_literal: true

# Every way in which a catalogue document can be turned round: a piece drawn to its other end, a word of direction, two layers that change places,
# a list, two steps of closing.
#
#   Reversals.of(document).first.name # => "drawing: DK4 packing hp_seal"
module Reversals
  Reversal = Struct.new(:kind, :name, :of, :change) do
    # @return [Hash] the document with that change
    def document = Marshal.load(Marshal.dump(of)).tap(&change)
  end

  OTHER = { "from" => "towards", "towards" => "from" }.freeze
  WAYS = { "in" => "out", "out" => "in", "up" => "down", "down" => "up" }.freeze
  # A side that is spoken of, and the way that it looks.
  SIDED = /(?<=side|end|lips|lip|top|flat|cage|seat|face|taper|bevel|legs|stem) (in|out|up|down)\b/
  LIST = /(?:In first|this order|inwards|Onto the rod|Onto the guide): (?<list>[^.]+)/
  REFERRED = /\b(?:to|on|under|of|with|into|over|behind|in)(?: (?:the|its))? \z/
  STIFF = { "stiffer" => "softer", "softer" => "stiffer", "weaker" => "stiffer" }.freeze

  module_function

  # @param document [Hash] of the catalogue format
  # @return [Array<Reversal>]
  def of(document) = stacks(document) + lists(document) + closing(document) + springs(document)

  def changed(document, kind, name, &change)
    Reversal.new(kind, "#{kind}: #{document['series']['name']} #{name}", document, change)
  end

  def stacks(document)
    document["stacks"].each_index.flat_map do |at|
      document["stacks"][at]["layers"].each_index.flat_map { |place| layer(document, at, place) } + neighbours(document, at)
    end
  end

  def layer(document, at, place)
    layer = document["stacks"][at]["layers"][place]
    found = ->(copy) { copy["stacks"][at]["layers"][place] }
    name = "#{document['stacks'][at]['id']} #{layer['slot']}"
    drawn = layer["opens_to"] && changed(document, :drawing, name) { |copy| found.call(copy)["opens_to"] = OTHER[layer["opens_to"]] }
    spoken = layer["opens_to"] && layer["facing"]&.match?(SIDED) &&
             changed(document, :words, name) { |copy| found.call(copy)["facing"] = layer["facing"].sub(SIDED) { " #{WAYS[Regexp.last_match(1)]}" } }
    [drawn, spoken].select(&:itself)
  end

  # Pieces that lie beside each other and are not the same.
  def neighbours(document, at)
    layers = document["stacks"][at]["layers"]
    places = layers.each_index.reject { |place| layers[place]["inside"] || layers[place]["for"] }
    places.each_cons(2).reject { |one, two| layers[one]["slot"] == layers[two]["slot"] }.map do |one, two|
      kind = layers.values_at(one, two).map { |layer| layer["shape"] }.sort == %w[backup oring] ? :rings : :layers
      changed(document, kind, "#{document['stacks'][at]['id']} #{layers[one]['slot']} and #{layers[two]['slot']}") do |copy|
        swap(copy["stacks"][at]["layers"], one, two)
      end
    end
  end

  def swap(list, one, other)
    list[one], list[other] = list[other], list[one]
  end

  def lists(document)
    document["areas"].each_index.flat_map do |at|
      (document["areas"][at]["work"] || []).each_index.flat_map do |place|
        sentence = document["areas"][at]["work"][place]
        next [] unless sentence.is_a?(String) && (found = sentence.match(LIST))

        swapped(document, found[:list]).map do |list|
          changed(document, :lists, list) { |copy| copy["areas"][at]["work"][place] = sentence.sub(found[:list], list) }
        end
      end
    end
  end

  # @return [Array<String>] the list with two neighbours in each other's place
  def swapped(document, list)
    named(document, list).each_cons(2).map do |(one, size), (two, other)|
      "#{list[0...one]}#{list[two, other]}#{list[(one + size)...two]}#{list[one, size]}#{list[(two + other)..]}"
    end
  end

  def named(document, list)
    names = document["stacks"].flat_map { |stack| stack["layers"].map { |layer| layer["name"].downcase } }.uniq.sort_by { |name| -name.size }
    rest = list.downcase
    names.filter_map do |name|
      from = rest.index(/(?<![\w-])#{Regexp.escape(name)}(?![\w-])/) or next
      rest[from, name.size] = "#" * name.size
      [from, name.size] unless list[0...from].match?(REFERRED)
    end.sort
  end

  def closing(document)
    order = document["close_order"] || []
    order.each_index.each_cons(2).map do |one, two|
      changed(document, :closing, "steps #{one} and #{two}") do |copy|
        swap(copy["close_order"], one, two)
      end
    end +
      order.each_index.map { |at| changed(document, :closing, "without step #{at}") { |copy| copy["close_order"].delete_at(at) } }
  end

  def springs(document)
    document["stacks"].each_index.flat_map do |at|
      %w[colour spring].filter_map do |key|
        told = document["stacks"][at][key]
        next unless told&.match?(/\b#{Regexp.union(STIFF.keys)}\b/)

        changed(document, :springs, told) { |copy| copy["stacks"][at][key] = told.sub(/\b#{Regexp.union(STIFF.keys)}\b/, STIFF) }
      end
    end
  end
end
