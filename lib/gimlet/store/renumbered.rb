# frozen_string_literal: true

require_relative "../core/value"
require_relative "schema"

module Gimlet
  module Store
    # A few versions landed with migrations that were numbered or written otherwise afterwards. A database that one of them left is told by its tables
    # and put where it stands among the migrations of today; from there it goes on like any other. Nothing is added here any more: a migration
    # that landed is never edited (test/store/landed_test.rb).
    module Renumbered
      # `version` is the number that it bears, `at` the migration it stands at today; `differs` makes today's tables of `at` into those that it has;
      # `mend` makes up for the difference.
      Form = Core::Value.of(:version, :at, :differs, :mend)

      AS_IT_IS = ->(shape) { shape }
      WITHOUT_MARK = ->(shape) { shape.merge(customer_tools: shape[:customer_tools] - [:mark]) }
      WITHOUT_CAME_AT = ->(shape) { shape.merge(purchases: shape[:purchases] - [:came_at]) }
      LISTED_WITH_ORDERS = ->(shape) { shape.except(:order_list).merge(orders: (shape[:orders] + %i[words summary]).sort) }

      # What lists show stood with the orders themselves.
      LIST_APART = lambda do |database|
        database.create_table(:order_list) do
          foreign_key :order_id, :orders, null: false, on_delete: :cascade, primary_key: true
          String :words, text: true, null: false
          String :summary, text: true, null: false
        end
        database[:order_list].insert(%i[order_id words summary], database[:orders].exclude(summary: nil).select(:id, :words, :summary))
        %i[words summary].each { |column| database.drop_column(:orders, column) }
      end

      FORMS = [
        Form.new(version: 6, at: 6, differs: WITHOUT_MARK, mend: ->(database) { database.add_column(:customer_tools, :mark, Float) }),
        Form.new(version: 8, at: 8, differs: LISTED_WITH_ORDERS, mend: LIST_APART),
        Form.new(version: 13, at: 15, differs: AS_IT_IS, mend: ->(_) {}),
        Form.new(version: 14, at: 16, differs: AS_IT_IS, mend: ->(_) {}),
        Form.new(version: 15, at: 17, differs: WITHOUT_CAME_AT, mend: ->(database) { database.add_column(:purchases, :came_at, DateTime) })
      ].freeze

      module_function

      # @return [Form, nil] of a database as one of those versions left it
      def form(database)
        version, shape = Schema.version(database), Schema.shape(database)
        FORMS.find { |form| form.version == version && form.differs.call(Schema.shape_of(form.at)) == shape }
      end

      # @return [void] it stands where it should; of any other database nothing is changed
      def call(database)
        form = form(database) or return
        database.transaction do
          form.mend.call(database)
          database[:schema_info].update(version: form.at)
        end
      end
    end
  end
end
