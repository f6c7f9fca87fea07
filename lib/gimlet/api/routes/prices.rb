# frozen_string_literal: true

require_relative "../../core/order/percent"
require_relative "../../counter/keep_stock"
require_relative "../../exchange/paper/labels"
require_relative "../../exchange/price_list"
require_relative "../../present/stocked"

module Gimlet
  module API
    module Routes
      # What things cost and what lies on the shelf: shown, changed one by one, moved, counted.
      module Prices
        # What routes here need besides the application's own.
        module Helpers
          def keep_stock = Gimlet::Counter::KeepStock.new(database, stock: stock, lives: lives, snapshot: newest.snapshot, who: who_asks)
          def names = Present::Stocked.new(reference.snapshot)

          def shelf_label(told)
            Exchange::Paper::Labels::Label.new(code: told[:number], strong: told[:number], lines: told.values_at(:name, :used_in, :shelf).compact)
          end

          def stocked_row(number)
            row = stock.row(number.strip.upcase) || missing("#{number} has no price on file.")
            moved = lives.ledger.page(row[:number], page_asked)
            render_json({ **names.row(row), prices: stock.prices_of(row[:number]), movements: moved.rows.map do |one|
              names.movement(one)
            end, total: moved.total,
                                            page: moved.page, pages: moved.pages })
          end
        end

        # How money, dates and paper are written.
        def self.writing(app)
          app.serve("ways") { render_json(ways.to_h) }

          app.serve("setWays") do
            chosen = Core::Desk::ShopFormat.of(body_as("Ways"))
            shop.settings["ways"] = JSON.generate(chosen.to_h)
            noted_as("ways", **chosen.to_h)
            render_json(ways.to_h)
          end
        end

        # Who the shop is.
        def self.facing(app)
          app.serve("face") { render_json(face.to_h) }

          app.serve("setFace") do
            told = Core::Desk::ShopFace.of(body_as("ShopFace"))
            Gimlet::Counter::Workshop.shared.call("Gimlet::Exchange::Paper::Letterhead", told, verb: :check)
            shop.settings["face"] = JSON.generate(told.to_h)
            noted_as("face", **told.to_h.except(:logo), logo: told.picture ? "a picture" : "none")
            render_json(face.to_h)
          end
        end

        def self.registered(app)
          app.helpers Helpers
          writing(app)
          facing(app)
          showing(app)
          moving(app)

          app.serve("tax") { render_json(percent: tax) }

          app.serve("setTax") do
            shop.settings["tax"] = Core::Order::Percent.read(body_as("Tax")["percent"])
            noted_as("tax", percent: tax)
            render_json(percent: tax)
          end

          app.serve("putPrice") do
            row = Exchange::PriceList.row(body_as("NewPrice"))
            newest.snapshot.sold?(row[:number]) ||
              Core::InputError.reject("number", "unknown_number", "No catalogue has #{row[:number]}: see whether it is written so.")
            stock.upsert([row], who: who_asks)
            render_json(row)
          end
        end

        def self.showing(app)
          app.serve("prices") do
            page = stock.page(params["q"], page_asked, names.named(params["q"]))
            render_json(listed(page.rows.map { |row| names.row(row) }.then { |rows| page.with(rows: rows) }, :prices))
          end

          app.serve("stocked") { |number| stocked_row(number) }

          app.serve("shelfLabels") do
            page = stock.page(params["q"], 1, names.named(params["q"]))
            labels = page.rows.map { |row| shelf_label(names.row(row)) }
            printed("Labels", "shelves", labels)
          end
        end

        def self.moving(app)
          app.serve("changeStocked") do |number|
            body = body_as("ChangeStocked")
            row = stock.row(number.strip.upcase) || missing("#{number} has no price on file.")
            stock.change(row[:number], body.transform_keys(&:to_sym))
            noted_as("stock", number: row[:number], **body.transform_keys(&:to_sym))
            stocked_row(row[:number])
          end

          app.serve("moveStock") do
            body = body_as("NewMovement")
            once(body) { keep_stock.move(body) && nil }
            stocked_row(body["number"])
          end

          app.serve("lookAtCount") { render_json(differences: keep_stock.differences(body_as("Count")["lines"]).map(&:to_h)) }
          app.serve("bookCount") do
            body = body_as("BookedCount")
            render_json(differences: once(body) { keep_stock.count(body["lines"]).map(&:to_h) })
          end
        end
      end
    end
  end
end
