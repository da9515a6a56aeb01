/**
 * What erasing a person, on request or when their time is over, does to a column:
 * - `emptied`: it held something of the person, and holds nothing afterwards
 * - `deleted`: its row goes
 * - `id`: it names a row, never a person by itself; figures hang on it
 * - `figure`: what happened and when, without saying to whom
 * - `theirs no more`: words and settings of the organisation and its team, which are not the person's
 * - `sign-in`: of an account of the team; whoever is erased has left the team before, and the account with it
 * - `sealed`: cannot be read, or only counts
 */
export type Treatment = "emptied" | "deleted" | "id" | "figure" | "theirs no more" | "sign-in" | "sealed";

type Columns = Partial<Record<Treatment, string>>;

/** Every column of every table: a new one has no place to hide (a test compares with the database). */
export const personalData: Readonly<Record<string, Columns>> = {
  people: {
    emptied: "name email zone company phone note tags address_failed_reason",
    id: "id organisation_id",
    figure: "locale unsubscribed_at address_failed_at erased_at created_at",
  },
  tickets: {
    emptied: "answers about_line portrait_id source room_name",
    id: "id organisation_id event_id occurrence_id person_id link_version calendar_uid calendar_sequence",
    figure:
      "role duties status revoked_at barred_at registered_at waiting_since invited_at languages reply replied_at tech_checked_at",
  },
  stays: {
    emptied: "chain_id import_key",
    id: "id organisation_id occurrence_id room_id connection_id ticket_id person_id",
    figure: "role device place from_at last_sign_at to_at level",
  },
  messages: {
    emptied: "rendered",
    id: "id organisation_id event_id occurrence_id mailing_id person_id ticket_id question_id message_id also_about",
    figure: "kind planned_due_at due_at state attempts note sent_at created_at",
  },
  questions: {
    emptied: "text answer",
    id: "id organisation_id occurrence_id asker_ticket_id segment_id answered_by",
    figure: "asked_at state answered_at answered is_anonymous is_by_mail merged_into recording_seconds",
  },
  question_comments: { emptied: "text", id: "id organisation_id question_id ticket_id", figure: "at" },
  chat_lines: {
    emptied: "text",
    id: "room_id topic seq rev organisation_id line_id author_ticket_id with_ticket_id",
    figure: "target state is_question at answered_at",
  },
  // words that were drawn; the rest of a board is everybody's
  ink_acts: {
    emptied: "body",
    id: "room_id topic rev organisation_id act_id author_ticket_id surface_id page n",
    figure: "at",
  },
  // what somebody said before an audience, in a captioner's words: the recording keeps it
  caption_lines: { id: "room_id seq rev organisation_id line_id author_ticket_id", figure: "language text at" },
  signals: { id: "room_id organisation_id ticket_id", figure: "kind at" },
  entry_proofs: { deleted: "id organisation_id ticket_id purpose asked_at used_at device_print" },
  busy_calendars: { deleted: "id organisation_id person_id name body read_at" },
  group_members: { deleted: "group_id person_id organisation_id" },
  mailings: {
    emptied: "audience",
    id: "id organisation_id event_id",
    "theirs no more":
      "kind offset_minutes subject body doc versions sender_name reply_to after_minutes is_off version created_at",
  },
  invitees: { id: "id organisation_id event_id person_id", figure: "invited_at reply replied_at" },
  consents: { id: "id organisation_id person_id ticket_id", figure: "kind wording given_at" },
  viewers: { id: "id organisation_id recording_id ticket_id", sealed: "browser", figure: "first_at last_at" },
  plays: { id: "viewer_id play_id organisation_id view_id", figure: "from_seconds to_seconds" },
  admissions: { id: "occurrence_id ticket_id organisation_id", figure: "admitted_at" },
  ballots: { emptied: "choice", id: "poll_id ticket_id organisation_id question_id", figure: "at" },
  question_votes: { id: "question_id ticket_id organisation_id", figure: "at" },
  journal: { id: "room_id seq organisation_id actor_id command_id body", figure: "at" },
  room_checkpoints: { id: "room_id organisation_id seq state" },
  room_outbox: { id: "id organisation_id room_id actor_id act", figure: "at" },
  rooms: { id: "id occurrence_id parent_id organisation_id seq" },
  log_heads: { id: "room_id topic organisation_id head" },
  audit_log: { id: "id organisation_id actor_id event_id occurrence_id facts", figure: "at action" },
  date_places: { id: "occurrence_id organisation_id", figure: "taken" },
  date_records: {
    id: "id organisation_id",
    "theirs no more": "title start_at zone",
    figure: "registered_count came_count peak_count",
  },
  tries: { sealed: "key window_start count" },
  account: {
    "sign-in":
      "id account_id provider_id user_id access_token refresh_token id_token access_token_expires_at refresh_token_expires_at scope password created_at updated_at",
  },
  session: { "sign-in": "id expires_at token created_at updated_at ip_address user_agent user_id" },
  user: { "sign-in": "id name email email_verified image two_factor_enabled created_at updated_at" },
  two_factor: { "sign-in": "id secret backup_codes user_id verified failed_verification_count locked_until" },
  verification: { "sign-in": "id identifier value expires_at created_at updated_at" },
  team_invitations: {
    deleted: "id organisation_id email name standing invited_by created_at expires_at accepted_at withdrawn_at",
  },
  letters: {
    deleted: "id organisation_id to_name to_email body state attempts due_at sent_at message_id created_at",
  },
  password_resets: { "sign-in": "id organisation_id user_id created_at expires_at used_at" },
  members: { "sign-in": "organisation_id user_id person_id standing" },
  board_posts: { "theirs no more": "id organisation_id board_id event_id text posted_at hook_due_at hook_attempts" },
  boards: { "theirs no more": "id organisation_id name slug hook_url hook_secret_sealed last_hook created_at" },
  call_backs: { deleted: "id organisation_id ticket_id number asked_at" },
  crowds: { "theirs no more": "occurrence_id organisation_id size temper seed started_at" },
  chat_entry_notes: { "theirs no more": "room_id organisation_id text" },
  contact_groups: { "theirs no more": "id organisation_id name" },
  date_changes: { "theirs no more": "id organisation_id event_id at actor_id before undone_at" },
  deck_pages: { "theirs no more": "id deck_id number is_ready notes_id" },
  decks: {
    "theirs no more":
      "id organisation_id occurrence_id title language version_of_id is_hand_out state failure page_count missing_fonts size_bytes ticket_id created_at claimed_at",
  },
  programme_feeds: {
    "theirs no more": "room_id organisation_id feed holder_id device renewed_at last_piece last_init",
  },
  recorded_pieces: {
    "theirs no more": "room_id organisation_id feed number init_number at duration_ms is_holding size_bytes",
  },
  overflow_watchers: { id: "occurrence_id watcher", figure: "last_at" },
  overflow_totals: { "theirs no more": "occurrence_id screens most_at_once" },
  passed_pieces: { "theirs no more": "name room_id organisation_id is_init at bytes" },
  side_room_sheets: { "theirs no more": "occurrence_id organisation_id names message" },
  holding_pictures: { "theirs no more": "occurrence_id organisation_id message" },
  hand_outs: {
    "theirs no more":
      "id organisation_id occurrence_id name media_type size_bytes is_shown position taken_count ticket_id created_at",
  },
  hand_out_takings: { id: "hand_out_id ticket_id organisation_id", figure: "at" },
  drawing_boards: { "theirs no more": "id organisation_id occurrence_id title side_room created_at" },
  event_files: { "theirs no more": "id organisation_id event_id name media_type size_bytes created_at" },
  event_pictures: { "theirs no more": "id organisation_id event_id width height created_at" },
  events: {
    "theirs no more":
      "id organisation_id slug uid title description_html is_private access_code_sealed house_size granted_seats registration_limit switches early_entry form_fields reminder_offsets_minutes shape room_code entry_by look agenda_shown approved_domains approval proves_address foyer_on stage_microphones_open stage_cameras_open sound_by overflow is_recorded consent_text place interpretation_into picture conference_number is_unplanned credit_points credit_checks credit_threshold_percent credit_is_partial published_at deleted_at version created_at",
  },
  licences: { "theirs no more": "id organisation_id size created_at" },
  occurrences: {
    "theirs no more":
      "id organisation_id event_id kind screening_of series_id licence_id has_planned_end followed_up original_start_local start_local zone duration_minutes call_minutes start_at end_at phase doors_opened_at show_started_at ended_at cancelled_why sequence",
    figure: "registered_count came_count peak_count",
  },
  organisations: { "theirs no more": "id name host about zone sender_name sender_email retention_days rules" },
  parts: {
    "theirs no more": "id organisation_id occurrence_id position title start_local length_minutes leader_ticket_id",
  },
  polls: {
    "theirs no more":
      "id organisation_id occurrence_id position questions is_anonymous is_locked limit_seconds is_sample state is_revealed opened_at closed_at closes_at",
  },
  recordings: {
    "theirs no more":
      "id organisation_id occurrence_id slug title file_name media_type size_bytes duration_seconds uploaded_at published_from state spans from_piece to_piece claimed_at edit edit_state edited_file edited_bytes kept sound_file sound_bytes sound_of published_until audience deleted_at picture_id still_id still_of",
  },
  seat_requests: {
    "theirs no more":
      "id organisation_id event_id requested_by wanted_size note state answer decided_by decided_at created_at",
  },
  seeded: { "theirs no more": "name at is_complete" },
  segments: {
    "theirs no more":
      "id organisation_id occurrence_id position scene title length_minutes fixed_start_local leader_ticket_id beside_ticket_ids poll_id deck_id deck_page carries_credit",
  },
  series: {
    "theirs no more":
      "id organisation_id event_id uid rule start_local zone duration_minutes exdates rdates created_at",
  },
  slot_plans: {
    "theirs no more":
      "event_id organisation_id for_event_id start_local until_clock zone length_minutes pause_minutes capacity rule closed_at",
  },
  templates: { "theirs no more": "id organisation_id name body updated_at" },
  corrections: {
    emptied: "reason",
    id: "id organisation_id occurrence_id person_key into_key entry_key actor_id",
    figure: "kind in_at out_at at undone_at",
  },
  server_signs: { "theirs no more": "name last_at" },
  server_away: { "theirs no more": "from_at to_at" },
  credits: {
    emptied: "name",
    id: "id organisation_id occurrence_id person_key person_id ticket_id number trail",
    figure: "points out_of minutes_present issued_at withdrawn_at",
  },
  outlets: {
    "theirs no more":
      "id organisation_id event_id name address key_sealed is_on created_at holder_id renewed_at state state_at failures next_try_at",
  },
  record_stores: { "theirs no more": "organisation_id url user_name password_sealed" },
  statement_posts: { "theirs no more": "occurrence_id organisation_id asked_at due_at attempts sent total answer" },
  surveys: { "theirs no more": "event_id organisation_id questions is_anonymous is_sample is_on version" },
  survey_replies: { id: "occurrence_id ticket_id organisation_id" },
  survey_answers: {
    emptied: "answers",
    id: "id organisation_id occurrence_id ticket_id",
    sealed: "edit_print",
    figure: "at",
  },
  summary_links: { "theirs no more": "id organisation_id occurrence_id with_names created_at expires_at revoked_at" },
  visits: { sealed: "event_id day visitor organisation_id via" },
  visit_keys: { sealed: "day key" },
  date_figures: {
    id: "occurrence_id organisation_id",
    figure:
      "start_at registered came registered_came stayed took_part peak peak_at present_minutes show_minutes median_stay_minutes returning questions watched_seconds viewers mails_sent mails_failed registered_by_lead came_by_lead counted_at",
  },
};
