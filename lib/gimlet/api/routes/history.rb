# frozen_string_literal: true

require "date"
require "time"
require_relative "../../exchange/history_csv"
require_relative "../../present/history_words"
require_relative "../../store/backup"
require_relative "../../store/history"

module Gimlet
  module API
    module Routes
      # Who did what and when, a day at a time or all of it; and the copies that keep it.
      module History
        # What routes here need besides the application's own.
        module Helpers
          def history = Store::History.new(database)

          def day_asked
            return history.last_day || Time.now.utc.to_date unless params["day"]

            Date.strptime(params["day"], "%Y-%m-%d")
          rescue Date::Error
            Core::InputError.reject("day", "bad_day", "A day is written as 2026-11-26.")
          end

          def told_of(day)
            words = Present::HistoryWords.new(reference.snapshot, ways)
            page = history.day(day, params["q"], page_asked)
            rows = page.rows.map { |row| { **row, at: row[:at].iso8601, detail: words.call(row) } }
            render_json(day: day.iso8601, entries: rows, total: page.total, page: page.page, pages: page.pages)
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("history") { told_of(day_asked) }

          app.serve("historyTable") do
            content_type "text/csv", charset: "utf-8"
            headers "Content-Disposition" => %(attachment; filename="gimlet-history.csv")
            stream { |out| Exchange::HistoryCSV.write(history, out) }
          end

          app.serve("backup") do
            body_as("Nothing")
            file = Store::Backup.new(database, Store::Backup.folder(database.opts[:database])).keep
            render_json({ file: File.basename(file) }, 201)
          end
        end
      end
    end
  end
end
