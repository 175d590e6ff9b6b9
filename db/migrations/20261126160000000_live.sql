-- The live channel: what changed in a club is told to whoever listens; and so is the end of a session, however it ended.
create function tell_session_end() returns trigger
  language plpgsql
  as $$ begin
    perform pg_notify('mossy_change', json_build_object('session', old.id::text)::text);
    return null;
  end $$;
create trigger session_end after delete on session for each row execute function tell_session_end();
