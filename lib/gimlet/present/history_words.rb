# frozen_string_literal: true

require "json"
require_relative "../core/desk/shop_format"
require_relative "../core/order/steps"
require_relative "../core/ticket/kinds"
require_relative "plain_words"

module Gimlet
  module Present
    # What was noted, as somebody would tell it.
    #
    #   HistoryWords.new(snapshot).call(what: "prices", place: "shop", detail: '{"PW-K220":[...]}')
    #   # => "price of PW-K220 TK4 seal kit 20, one pump: from €65.00 to €67.18"
    class HistoryWords
      # Numbers of a list that are told.
      SHOWN = 3

      # @param snapshot [Core::Catalogue::Snapshot] that names numbers and areas
      # @param ways [Core::Desk::ShopFormat] how this shop writes money
      def initialize(snapshot, ways = Core::Desk::ShopFormat.of({}))
        @snapshot, @ways = snapshot, ways
      end

      # @param row [Hash] what, place and detail, as the history has them
      # @return [String]
      def call(row)
        detail = JSON.parse(row[:detail])
        told = words(row[:what], row[:place], detail)
        (told || PlainWords.call(row[:detail])).then { |text| text.size > PlainWords::LONGEST ? "#{text[0, PlainWords::LONGEST]} …" : text }
      end

      private

      def words(what, place, detail)
        case place
        when /bench\z/ then bench(what, detail)
        when /\Aorder / then Core::Order::Steps::ALL[what]&.words(detail)
        when /\Aticket / then entry(what, detail)
        else shop(what, detail)
        end
      end

      def entry(what, detail)
        detail["words"] || Core::Ticket::Kinds::ALL[what]&.words(detail, @snapshot.areas)
      end

      def bench(what, detail)
        return "#{detail['done'] ? 'done' : 'not done after all'}: #{detail['item']}" if what == "ticked"

        if what == "found"
          return "found: #{[detail['name'],
                            detail['position']].compact.join(', ')}: #{Core::Catalogue::OUTCOMES.fetch(detail['outcome'])}"
        end

        "#{detail['fastener'].tr('_', ' ')}, turn #{detail['turn'] + 1}: #{PlainWords.words(detail['value'])} #{detail['unit']}"
      end

      def shop(what, detail)
        case what
        when "prices" then prices(detail)
        when "customer" then customer(detail)
        when "stock" then "#{named(detail['number'])}: #{[detail['shelf'] && "shelf #{detail['shelf']}",
                                                          detail['level'] && "level #{detail['level']}"].compact.join(', ')}"
        when "tool" then "tool #{detail['added']}, #{detail['number']}, was written down"
        when "rung" then ["rang #{detail['customer']} about their #{detail['pump']}", detail["note"],
                          detail["again_on"] && "again on #{detail['again_on']}"].compact.join(": ")
        when "ways" then "money in #{detail['currency']}, dates #{detail['dates'].tr('_', ' ')}, paper #{detail['paper']} from here on"
        when "face" then "the shop on its papers: #{detail['name']}, with #{detail['logo'] == 'none' ? 'no logo' : 'a logo'}"
        when "tax" then "tax is #{detail['percent']} % from here on"
        when "learning" then "learning was switched #{detail['on'] ? 'on' : 'off'}"
        end
      end

      def customer(detail)
        return "wrote down #{detail['added']}" if detail["added"]
        return "#{detail['merged']} is the same as #{detail['into']}" if detail["merged"]
        return "customer #{detail['erased']} was forgotten" if detail["erased"]

        "customer #{detail['id']}: #{PlainWords.words(detail['changed'])}"
      end

      def prices(detail)
        told = detail.first(SHOWN).map { |number, (was, now)| "#{named(number)}: #{change(was, now)}" }
        "price of #{told.join('; ')}#{" and #{detail.size - SHOWN} more" if detail.size > SHOWN}"
      end

      def change(was, now)
        return "#{money(now)}, new" unless was

        [("from #{money(was)} to #{money(now)}" unless was["price_cents"] == now["price_cents"]),
         ("#{now['on_hand']} here, were #{was['on_hand']}" unless was["on_hand"] == now["on_hand"]),
         ("pack of #{now['pack']}, was #{was['pack']}" unless was["pack"] == now["pack"])].compact.join(", ")
      end

      def money(row) = @ways.money(row["price_cents"])
      def named(number) = [number, @snapshot.kit(number)&.name || @snapshot.part(number)&.name].compact.join(" ")
    end
  end
end
