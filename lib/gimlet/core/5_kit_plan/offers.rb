# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  module KitPlan
    # What the shelf and the price list say of one number. `pack` is how many pieces one sale unit holds; `reserved` of those on hand are
    # promised to orders.
    Stock = Value.of(:price_cents, :on_hand, :pack, :reserved) do
      def free = on_hand - (reserved || 0)
    end

    # Something that can be sold. `covers` is { demanded part number => pieces in one sale unit }; pieces that may serve several numbers, each of
    # them one, stand under all of them, as an array.
    # `pieces` everything that is in it, wanted or not; `free` are on hand and promised to nobody.
    Offer = Value.of(:number, :name, :kit, :covers, :pieces, :price_cents, :on_hand, :free, :contents) do
      # @return [Array<String>] wanted numbers that it may serve
      def serves = covers.keys.flatten.uniq
    end

    # Finds everything on the price list that serves a demand, supersessions and interchange followed.
    class Offers
      # @param snapshot [Catalogue::Snapshot]
      # @param variant [Catalogue::Variant] kits meant for other pumps are left out
      # @param stock [Hash{String=>Stock}]
      def initialize(snapshot, variant, stock)
        @snapshot = snapshot
        @variant = variant
        @stock = stock
      end

      # @param wanted [Array<String>] part numbers
      # @return [Array<Offer>] only what has a price
      def for(wanted)
        @serving = wanted.each_with_object({}) do |number, all|
          @snapshot.serving(number).each { |one| (all[one] ||= []) << number }
        end
        kits + loose
      end

      # @param number [String] of any part or kit, whatever pump it is for
      # @return [Offer] that covers nothing of a demand
      # @raise [InputError] where it cannot be sold
      def beside(number)
        kit, part = @snapshot.kit(number), @snapshot.part(number)
        contents = kit ? kit.contents : { number => @stock[number]&.pack || 1 }
        found = (kit || part) && offer(number, (kit || part).name, !kit.nil?, {}, contents)
        found || InputError.reject("number", "no_price", "“#{number}” has no price on file, or is in no catalogue: it cannot go along.")
      end

      private

      def kits
        meant = @snapshot.kits.select { |kit| Catalogue::Condition.met?(kit.condition, @variant) }
        meant.filter_map do |kit|
          covers = cover(kit.contents)
          offer(kit.number, kit.name, true, covers, kit.contents) unless covers.empty?
        end
      end

      def loose
        @serving.keys.filter_map do |number|
          contents = { number => @stock[number]&.pack || 1 }
          name = @snapshot.part(number)&.name
          offer(number, name, false, cover(contents), contents)
        end
      end

      # A piece serves one of the wanted numbers that it may stand in for.
      def cover(contents)
        contents.each_with_object({}) do |(number, quantity), covers|
          wanted = @serving[number] or next
          key = wanted.one? ? wanted.first : wanted.sort
          covers[key] = (covers[key] || 0) + quantity
        end
      end

      def offer(number, name, kit, covers, contents)
        stock = @stock[number] or return
        Offer.new(number: number, name: name, kit: kit, covers: covers, contents: contents,
                  pieces: contents.values.sum, price_cents: stock.price_cents,
                  on_hand: stock.on_hand, free: stock.free)
      end
    end
  end
end
