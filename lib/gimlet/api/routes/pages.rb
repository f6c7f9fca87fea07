# frozen_string_literal: true

module Gimlet
  module API
    module Routes
      # The built front end. Its addresses are the browser's own, so each of them gets the one page.
      module Pages
        # Nothing is loaded from anywhere else; styles are written into the page by the component library.
        POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; object-src 'none'"

        def self.registered(app)
          app.get(%r{/|/orders|/orders/\d+(?:/bench)?|/tickets/\d+|/(?:measure|desk)/[a-z]+}) do
            headers "Content-Security-Policy" => POLICY, "Cache-Control" => "no-cache"
            send_file File.join(settings.public_folder, "index.html")
          end
        end
      end
    end
  end
end
