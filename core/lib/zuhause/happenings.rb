require "zuhause/happenings/acts"
