# frozen_string_literal: true

require_relative "../../present/upload"

module Gimlet
  module API
    module Routes
      # Price lists and catalogue documents: sent, looked at while the shop goes on, then taken or given up.
      module Uploads
        # What routes here need besides the application's own.
        module Helpers
          def begin_upload(kind)
            from_this_machine
            render_json(Present::Upload.call(uploads.begin(kind, parsed_body, who: who_asks, longest: operation.max_bytes)), 201)
          end

          def upload_of(id) = uploads.find(id, who_asks) || missing("There is no such upload any more: choose the file again.")
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("uploadPrices") { begin_upload("prices") }
          app.serve("uploadSeries") { begin_upload("catalogue") }
          app.serve("upload") { |id| render_json(Present::Upload.call(upload_of(id))) }

          app.serve("takeUpload") do |id|
            body = body_as("TakeUpload")
            upload = upload_of(id)
            uploads.take(upload, mark: body["mark"], skip: body["skip"] == true)
            render_json(Present::Upload.call(upload))
          end

          app.serve("giveUpUpload") do |id|
            body_as("Nothing")
            upload_of(id).give_up
            render_json(Present::Upload.call(upload_of(id)))
          end
        end
      end
    end
  end
end
