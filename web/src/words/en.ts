import type { Api } from "../api/client";
import { readable } from "../kit/reference";

/** A title within a sentence: it begins small, unless its first word is an abbreviation. */
export const inSentence = (title: string) =>
  /^.\p{Lu}/u.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1);

const listed = new Intl.ListFormat("en-GB", { type: "conjunction" });
const counted = (many: number, one: string, more: string) => `${many} ${many === 1 ? one : more}`;

/** English. */
export const en = {
  account: {
    calendar: "Clocks and weeks",
    calendarChanged: "Days are told by these clocks and weeks from now on.",
    calendarKeep: "Keep these",
    calendarLine:
      "By which days are meant in what you read, and in what you subscribe to from now on; what runs already keeps its own.",
    change: "Change password",
    changed: (ended: number) =>
      ended === 0
        ? "The password is changed."
        : `The password is changed, and ${counted(ended, "other session is", "other sessions are")} ended.`,
    current: "Current password",
    end: "sign out there",
    endOf: (from: string, begun: string) => `sign out there: ${from}, signed in ${begun}`,
    heads: ["From", "Signed in", "Last used", ""],
    password: "Password",
    passwordLine: "A new one ends your sessions everywhere else.",
    sessions: "Where you are signed in",
    sessionsLine: "A session that is not used for twelve hours ends by itself.",
    thisOne: "this one",
    title: "Your account",
    wanted: "New password, at least 10 characters",
  },

  data: {
    againInUse: (rows: number, from: string) =>
      `The ${en.number(rows)} ${rows === 1 ? "row" : "rows"} loaded ${from} are in use again.`,
    ahead: (day: string) =>
      `These rows reach to ${day}, which is later than tomorrow. Check the days in the file; until then, put an earlier load back in use.`,
    heldBackFrom: (percent: number) =>
      `A load that loses more than ${percent} % of the rows waits to be confirmed.`,
    mostLost: "A load waits to be confirmed if it loses more than so many percent of the rows:",
    mostLostUsual: "50",
    useAgain: "use these rows again",
    useAgainOf: (at: string) => `use these rows again, loaded ${at}`,
    add: "New data set",
    addLine: "You see its rows as they would be kept before anything is.",
    ambiguous: (columns: string[]) =>
      `The days in ${listed.format(columns)} can be read in two ways. Which is meant?`,
    at: "Time of day",
    belongs: (owner: string, folder: string) => `${owner} made it, in ${folder}.`,
    came: (rows: number, more: number | null, to: string) =>
      `${en.number(rows)} ${rows === 1 ? "row" : "rows"}${to ? ` to ${to}` : ""}${more === null ? "" : `, ${en.data.more(more)}`}`,
    changeComing: "change where they come from, when, and what is held back",
    columns: "Columns",
    comes: (plan: Api["LoadPlan"], source: string) =>
      `${en.data.comesFrom(plan.origin, source)}, ${en.data.comesWhen(plan.times)}${
        plan.mode === "APPEND" ? ", added to the rows before" : ""
      }.`,
    comesFrom: (origin: Api["LoadPlan"]["origin"], source: string) =>
      origin.kind === "SENT"
        ? "From files that people send"
        : origin.kind === "QUERY"
          ? `From a query on ${source}`
          : `From files “${origin.ask}” in ${source}`,
    comesWhen: (times: Api["LoadPlan"]["times"]) =>
      ({
        BY_HAND: "by hand",
        DAILY: `every day at ${times.at?.slice(0, 5)} (${times.zone})`,
        EVERY: `every ${times.minutes} minutes`,
        ON_ARRIVAL: "as soon as one is there and whole",
      })[times.kind],
    coming: "Where the rows come from",
    dateForms: {
      ISO: "2026-11-25",
      DAY_MONTH_YEAR: "25.11.2026",
      DAY_FIRST: "day first, 25/11/2026",
      MONTH_FIRST: "month first, 11/25/2026",
    },
    day: "Day that rows are sorted by",
    daysAre: "Days are written",
    asFound: "as it is found",
    numbersAre: "Numbers are written",
    decimalMarks: {
      POINT: "1,234.50 (a point before decimals)",
      COMMA: "1.234,50 (a comma before decimals)",
    },
    ambiguousNumbers:
      "Numbers such as 1,234 or 1.234 can be read as about a thousand or as about one. Which mark stands before decimals?",
    place: "Name and folder",
    placed: (name: string) => `“${name}” is kept so. Reports that are made of it go on.`,
    remove: "remove data set",
    removed: (name: string) => `“${name}” is removed. Issues that were made of it stay on the shelf.`,
    renameMeans: (name: string) =>
      `Reports that name it “${name}” go on. That name stays its own, and no other data set can take it.`,
    withoutUnit: (unit: string) => `kept without “${unit}”`,
    decimals: "decimals",
    decimalsOf: (column: string) => `Decimals of ${column}`,
    drop: "Drop a CSV file here",
    empty: (mayAdd: boolean) =>
      `Data sets that you may load and rule are listed here. ${
        mayAdd
          ? "Make one from a file, a folder or a query."
          : "That takes the right to publish in a folder, which an administrator gives."
      }`,
    emptyValues: (many: number) => `${many} empty`,
    every: "every",
    file: (name: string, bytes: number) => `${name}, ${Math.max(1, Math.round(bytes / 1000))} kB`,
    fileName: "Name of the files, * for anything",
    firstRows: "The first rows as they would be kept",
    folder: "Folder",
    from: "Its rows come from",
    fresh: (rows: number, to: string, loaded: string) =>
      `${en.number(rows)} rows${to ? `, figures to ${to}` : ""}, loaded ${loaded}`,
    given: (column: string, all: boolean, values: string[]) =>
      `${column}: ${all ? "all" : values.length === 0 ? "none" : listed.format(values)}`,
    how: (by: string | null, millis: number, sha: string) =>
      `${(millis / 1000).toFixed(1)} s, ${by ? `by ${by}` : "by itself"}${sha ? ` · ${sha}` : ""}`,
    keep: "Keep data set",
    keepPlan: "Keep it so",
    lastLoad: (why: string) => `Last load: ${why}`,
    line: "What reports are made of; each load is a version of its own.",
    confirm: "Load it anyway",
    loadNow: "Load now",
    loaded: (rows: number) => `${counted(rows, "row is", "rows are")} loaded.`,
    loading: "Being loaded…",
    loads: "Loads",
    look: "Look at its rows",
    looking: "Its rows are being looked at…",
    minutes: "minutes",
    misfit: "(does not fit)",
    misfitsOf: (column: string, many: number, value: string, row: number) =>
      `${column}: ${counted(many, "value does", "values do")} not fit its type, the first in row ${row}: “${value}”. Choose another type, or correct the file.`,
    mode: "What becomes of the rows before",
    modes: { REPLACE: "instead of the rows before", APPEND: "added to them" },
    more: (rows: number) =>
      rows === 0 ? "as many" : rows > 0 ? `${en.number(rows)} more` : `${en.number(-rows)} fewer`,
    name: "Name",
    nextLoad: (at: string) => `Next load ${at}.`,
    noDay: "none (a mapping table)",
    noFolder: "choose a folder",
    noSource: "choose a source",
    noSources: {
      SENT: "",
      FOLDER:
        "There is no watched folder that you may use. An administrator registers one under House, sources.",
      QUERY: "There is no database that you may use. An administrator registers one under House, sources.",
    },
    nobody: "choose a person",
    notLoaded: "Nothing has been loaded yet.",
    nowhere: "You may not publish in any folder. Ask an administrator for the right to publish in one.",
    origins: { SENT: "files that people send", FOLDER: "a watched folder", QUERY: "a query on a database" },
    other: "take another",
    person: "Person",
    pick: "or pick one",
    planKept: "Kept; it holds from now on.",
    query: "Query (SQL)",
    queryHint: "One SELECT. It runs in a transaction that can only read, within the limits of the source.",
    reports: (many: number) =>
      many === 0 ? "no report is made of it" : `${counted(many, "report is", "reports are")} made of it`,
    ruledBy: (columns: string[]) =>
      columns.length === 0 ? "all see all rows" : `each sees their own ${listed.format(columns)}`,
    sayDays: "Say first which is meant.",
    seen: (rows: number) => `${counted(rows, "row", "rows")} looked at.`,
    sees: (rows: number, of: number) => `Sees ${en.number(rows)} of ${en.number(of)} rows.`,
    separators: { ",": "commas", ";": "semicolons", "\t": "tabs", "|": "bars" } as Record<string, string>,
    sight: "Who sees what",
    source: "Source",
    stillInUse: "The figures loaded before are still in use.",
    times: {
      BY_HAND: "by hand only",
      DAILY: "every day at",
      EVERY: "every so many minutes",
      ON_ARRIVAL: "as soon as a file is there and whole",
    },
    title: "Data sets",
    typeOf: (column: string) => `Type of ${column}`,
    typed: ({ type, decimals, zone }: Api["Column"], sorts: boolean) =>
      `${en.data.types[type]}${zone ? ` in ${zone}` : ""}${decimals > 0 ? `, ${counted(decimals, "decimal", "decimals")}` : ""}${sorts ? ", sorts the rows" : ""}`,
    types: { TEXT: "text", NUMBER: "number", DATE: "day", TIME: "day with time" },
    unused: "No report that you may see is made of it yet.",
    usedBy: "Reports made of it:",
    when: "Loaded",
    zoneOf: (column: string) => `Time zone of ${column}`,
    written: (name: string, charset: string, separator: string) =>
      ` ${name ? `${name}: ` : ""}${charset}, separated by ${separator}.`,
  },

  editor: {
    anew: "New report",
    take: "take it from a file",
    taken: (file: string) => `The text is that of ${file} now; nothing is published.`,
    write: "write one",
    writeAnother: "write another",
    anewLine: "A report is a text over one data set; you see its page while you write.",
    atWork: "the text at work",
    dataSet: "Data set",
    difference: "What differs",
    edit: "Edit",
    from: "Compare",
    goesOn: "It goes on with what is left.",
    keys: "Ctrl+Space proposes what fits; Escape, then Tab, leaves the text.",
    kinds: {
      PAGE: (name: string) => `page “${name}”`,
      BLOCK: (name: string) => `block “${name}”`,
      COLUMN: (name: string) => `column “${name}”`,
      LETTER: (name: string) => `“${name}” in its letter`,
      FILTER: (name: string) => `filter on “${name}”`,
      ANSWER: (ask: string) => `no answer to “${ask}”, which is asked now`,
    },
    line: (version: number, changed: boolean) =>
      `Version ${version} is published${changed ? "; what you write is not yet" : ""}.`,
    loses: (many: number) =>
      `Publishing this takes something from ${counted(many, "subscription", "subscriptions")}; their owners are told.`,
    lost: (what: string[]) => `Loses ${listed.format(what)}.`,
    newLine: "Not published yet.",
    noData: "There is no data set with days that you may use.",
    noDataSet: "choose a data set",
    nobodyLoses: "No subscription loses anything by it.",
    pauses: "It pauses, since it cannot go on as its owner wants it.",
    publish: "Publish",
    publishTitle: (version: number) => `Publish version ${version}`,
    published: "It is published; readers see it from now on.",
    same: "They are the same.",
    showing: "Showing",
    stale: "The page as it was before the fault:",
    takeBack: (version: string) => `Take back version ${version}`,
    text: "The report as text",
    to: "with",
    version: (no: number, by: string, at: string) => `version ${no}, ${by}, ${at}`,
    versions: "versions",
  },

  sources: {
    answered: (at: string) => `It answered ${at}.`,
    silent: (at: string, failure: string) => `It did not answer ${at}: ${failure}`,
    add: "Register a source",
    address: "Address (JDBC)",
    answers: "It answers.",
    change: "change",
    changeOne: (name: string) => `change the source ${name}`,
    empty:
      "No source is registered yet. Data sets can be made of files that people send; for what is to come by itself, register a database or a folder here.",
    folder: "Who publishes in this folder may use it",
    keep: "Keep source",
    kept: (name: string) => `${name} is kept.`,
    kind: "It is",
    kinds: { DATABASE: "a database", FOLDER: "a watched folder" },
    limits: (user: string, seconds: number, rows: number) =>
      `${user ? `as ${user}; ` : ""}a query takes at most ${seconds} s and gives at most ${en.number(rows)} rows`,
    mostRows: "Most rows",
    name: "Name",
    onlyLooks:
      "Files are read where they are, once each has not changed for 10 s; nothing there is changed or removed.",
    password: "Password",
    passwordKept: "kept; type to change it",
    path: "Path on the server",
    readsOnly:
      "Name a user who may only read. The password is kept encrypted, with a key in the data folder, and never shown.",
    remove: "remove",
    removeOne: (name: string) => `remove the source ${name}`,
    removed: (name: string) => `${name} is removed.`,
    seconds: "Seconds a query",
    test: "Test it",
    testing: "Being tested…",
    unused: "No data set comes from it yet.",
    usedBy: "Data sets that come from it:",
    user: "User",
  },

  rules: {
    add: "Rule who sees which rows",
    after: (who: string, values: string) =>
      `(columns ${who} and ${values}). Whoever is given none sees no row.`,
    allowOwner: "Issues may show everybody what their owner may see",
    another: "another rule",
    before: (column: string) =>
      `Each sees the rows whose ${column} is given to them, or to a group of theirs, in`,
    change: "Change the rules",
    choose: "choose",
    column: "Each sees the rows whose",
    keep: "Keep rules",
    kept: "The rules are kept, and hold from now on.",
    leave: "leave it",
    mapping: "is given by the mapping table",
    noOwnerView: "Issues show each recipient their own rows, always.",
    none: "Whoever sees the folder sees all rows.",
    one: (column: string) => `The rule on ${column}`,
    ownerView: "Issues may also show all what their owner may see, where they choose so.",
    remove: "remove",
    removeOne: (column: string) => `remove the rule on ${column}`,
    title: "Row rules",
    unknownNames: (names: string[]) =>
      `${listed.format(names)}: neither the address of a person nor the name of a group. People stand in the table by their address.`,
    unknownValues: (values: string[]) => `No row has ${listed.format(values)}.`,
    values: "its column of values (* for all)",
    who: "to the one named in",
  },

  close: "close",
  find: "Find a report",
  found: "The best answers",
  number: (many: number) => many.toLocaleString("en-GB").replaceAll(",", "\u202f"),
  leaveIt: "Cancel",
  legend: "What the marks mean",
  list: (parts: string[]) => listed.format(parts),
  loading: "Being fetched…",
  newSubscription: "New subscription",
  next: (at: string, until: string) => `next: ${at}, ${until}`,
  noRows: "No rows in this period.",
  sections: "Sections",
  saveChanges: "Save changes",
  signOut: "Sign out",
  skipToContent: "Skip to the page",
  subscribe: "Subscribe",
  toLibrarySearch: "Find a report in the library",
  toShelf: "Mail Shelf, to the shelf",
  undo: "Undo",
  role: (role: string) => (role === "pdf" ? "PDF" : role),

  keys: {
    title: "Keys",
    lists: [
      {
        where: "Everywhere",
        lines: [
          ["Tab", "the next thing that can be chosen"],
          ["/ or Ctrl K", "find a report"],
          ["?", "these keys"],
          ["Esc", "close what is open"],
        ],
      },
      {
        where: "On the shelf and in charts",
        lines: [
          ["← →", "older and newer, or the next mark"],
          ["↑ ↓", "the row above and below"],
          ["Home End", "the oldest and the newest"],
          ["letters", "the row whose title begins with them"],
          ["Enter", "open the issue"],
        ],
      },
    ],
    single: "Keys without Ctrl",
    singleLine: "Keys without Ctrl, such as / and ? and letters on the shelf:",
    on: "on",
    off: "off",
  },

  act: {
    because: "Because (shown wherever it is listed; may be empty)",
    change: "change",
    changeIt: "Change it",
    copy: "subscribe like this",
    end: "end…",
    ended: (name: string) => `“${name}” has ended. Every issue stays on the shelf.`,
    endMeans: "Nothing more will be sent. Every issue stays on the shelf, and it cannot be started again.",
    endNow: "End subscription",
    pause: "pause…",
    paused: (name: string) => `“${name}” is paused.`,
    pauseNow: "Pause subscription",
    pauseOf: (name: string) => `Pause ${name}`,
    resume: "resume",
    resumed: (name: string) => `“${name}” goes out again.`,
    send: "send now…",
    start: "start",
    started: (name: string) => `“${name}” is started.`,
    try: "try it on myself",
  },

  audience: {
    hasLeft: "has left",
    whatFirst: "Choose what it shows first: who can get it depends on that.",
    add: (name: string) => `Add ${name}`,
    mayNotSee: "may not see this report",
    more: (many: number) => `${many} more: type a part of the name.`,
    myself: (name: string) => `${name} (myself)`,
    nobody: "Nobody is on the list.",
    noMatch: "Nobody else of that name.",
    off: "take off",
    on: "add",
    onList: "On the list",
    others: "Others who can be added",
    search: "Name or address",
    somebody: "Somebody who is no longer active",
    takeOff: (name: string) => `take off ${name}`,
  },

  audit: {
    after: "Now:",
    before: "Before:",
    anybody: "anybody",
    csv: "Export as CSV",
    from: "From",
    heads: ["When", "Who", "What", "From where"],
    newer: "newer",
    none: "Nothing was done that fits this. Take a word or a date away.",
    older: "older",
    person: "Person",
    search: "Search the audit trail",
    to: "To",
    words: "Words",
  },

  behaviour: {
    NONE: "takes it",
    REFUSE_FOR_NOW: "refuses for now",
    REFUSE_FOR_GOOD: "refuses for good",
    GREYLIST: "asks to come back later, once",
    SLOW: "is slow",
    SILENT: "says nothing for a minute",
    DROP_BEFORE_FINAL_DOT: "hangs up before it has the mail",
    DROP_AFTER_FINAL_DOT: "hangs up before answering",
  },

  chart: {
    hint: "point at a mark for its values",
    hintRows: "point at a mark for its values, choose it for its rows",
    name: (title: string) => `Chart: ${title}. Arrow keys walk over its values.`,
  },

  clock: {
    label: "The demo’s clock",
    move: "Move to then",
    moveToNext: "Move to the next send",
    moving: (to: string) => `on its way to ${to}`,
    next: (at: string) => `the next send is ${at}`,
    nothingDue: "nothing is due",
    now: "It is now",
    to: "Later",
  },

  clippings: {
    add: "Clip them",
    anew: "a new clipping",
    blocks: (many: number, reports: string[]) =>
      [counted(many, "block", "blocks"), ...(reports.length > 0 ? [reports.join(", ")] : [])].join(" of "),
    clip: "clip blocks of it",
    clipped: "Clipped.",
    earlier: "earlier",
    empty: "Nothing is on it any more. Open a report and clip blocks of its pages.",
    gone: "A report that you may not see any more",
    into: "Into",
    later: "later",
    line: "Pages of your own, put together from blocks of reports. Their figures are always those of now.",
    look: "Look at it",
    mine: "Yours alone. Each block is for its own period, narrowed as it was when you clipped it.",
    name: "Name of the clipping",
    none: "You have none yet. Open a report and choose “clip blocks of it” above its page.",
    remove: "remove",
    removed: (name: string) => `The clipping “${name}” is removed.`,
    rename: "rename",
    changesThem: (many: number) =>
      many === 1
        ? "It changes with the clipping, and keeps the blocks that it has when the clipping is removed."
        : "They change with the clipping, and keep the blocks that they have when the clipping is removed.",
    mayNotSubscribe: "You may not subscribe to all that is on it.",
    sendOnce: "send once",
    sentBy: "Sent by",
    subscribe: "Subscribe",
    takeOut: "take out",
    title: "My clippings",
    toReports: "To the reports",
    which: "Which blocks of this page",
  },

  composer: {
    beginAnew: "begin anew",
    takenUp: "You began this earlier in this tab, and it goes on from there.",
    called: "Called",
    changed: (name: string, first: string, afterLoads: boolean) =>
      first
        ? `“${name}” is changed, counting from the send on ${first}.`
        : `“${name}” is changed, counting from ${afterLoads ? "the next load" : "when you send it"}.`,
    changing: (name: string) => `Changing “${name}”`,
    closeEditor: "Done",
    face: "Sentence or preview",
    firstSend: (first: string) => `first send ${first}`,
    nextSend: (next: string) => `next send ${next}`,
    follow: "follow a cut",
    followCut: (name: string) => `Those of the cut “${name}”`,
    followOther: "choose",
    followsCut: "Period and filters follow a cut",
    inNameOf: "sent in your name, from the house address",
    isNew: "New subscription",
    keepChanges: "Keep changes",
    keepDraft: "Keep as draft",
    keepMine: "Go on with mine",
    keptAsDraft: (name: string) => `“${name}” is kept as a draft. Nothing is sent from a draft.`,
    lost: (parts: string[]) =>
      `The report no longer has ${listed.format(parts)}. Below stands what is left of the subscription. Choose again what you need instead, and save it.`,
    meanwhile: (by: string, at: string) => `${by} changed this on ${at}, while it was open here`,
    missing: (parts: string[]) => `Still missing: ${listed.format(parts)}.`,
    name: "Name, as it stands on the shelf and opens the subject",
    noName: "no name yet",
    nothingToPick: "There is no report yet that you may subscribe to. An administrator grants that.",
    ownBlocks: "Its own blocks",
    ownBlocksMean: "They stay as they are, whatever happens to the clipping.",
    followClipping: (name: string) => `Those of the clipping “${name}”`,
    changeClipping: (name: string) => `change “${name}”`,
    takeOut: (blocks: string) => `take out ${blocks}`,
    ownCut: "Its own period and filters",
    ownCutMeans: "They stay as they are, whatever happens to a cut.",
    pick: "What shall it be about?",
    pickLine: "Choose a report; every other part can be filled in afterwards, in any order.",
    preview: "What is sent",
    previewFace: "what is sent",
    rowsNow: (rows: number, days: string) => `${counted(rows, "row", "rows")} now, ${days}`,
    sentence: "The subscription as a sentence",
    sentenceFace: "the sentence",
    start: "Start subscription",
    started: (name: string, first: string, afterLoads: boolean) =>
      first
        ? `“${name}” is started. The first send is ${first}.`
        : `“${name}” is started. It goes ${afterLoads ? "after the next load" : "when you send it"}.`,
    startWaiting: "Start, once approved",
    waiting: (name: string) => `“${name}” is kept and waits: it starts once an administrator approves it.`,
    sendOnce: "Send once, now",
    sentOnce: (name: string) => `“${name}” is on its way, once. It stands on the shelf.`,
    notTried: (name: string, because: string) => `“${name}” is kept, and was not tried: ${because}`,
    tried: "Your trial is on its way to your own address only; no number is used.",
    try: "Try it on myself",
    tryAfterKeeping: "a trial is made from what is kept: keep the changes first",
    takeTheirs: "Take that one instead",
    yoursBelow: "Your change is kept below. Going on with it writes over that one when you keep it.",
  },

  fault: {
    again: "Try again",
    happened: "This did not work.",
    means: "The page could not go on; nothing was changed.",
    todo: "Reload the page. If it happens again, tell an administrator.",
  },

  cuts: {
    about: "What it shows",
    another: "keep under another name",
    changesThem: "With what is on the screen they change from their next issue on.",
    followers: (many: number) =>
      many === 1 ? "One subscription follows this cut." : `${many} subscriptions follow this cut.`,
    form: "A cut to be kept",
    keep: "keep this cut",
    keepChange: (name: string) => `keep the change of “${name}”`,
    line: "Cuts:",
    moreFollow: (many: number) => `and ${many} of others`,
    name: "Name of the cut",
    noFollowers: "No subscription follows this cut.",
    noSharing: "Shared with all who may read the report (you may not share here)",
    of: (cut: Api["CutView"]) =>
      [cut.about, cut.shared ? `shared by ${cut.owner}` : "yours alone"].filter(Boolean).join(" · "),
    ownedBy: (owner: string) => `of ${owner}`,
    removalLeaves: "When the cut is removed, nothing changes there.",
    remove: "Remove this cut",
    removed: (name: string) => `The cut “${name}” is removed.`,
    rename: "rename or remove",
    renames: "Its period and filters stay.",
    save: "Keep",
    share: "Shared with all who may read the report",
    title: "Kept cuts",
    unfit: "The report no longer has all that this cut names. Set it anew, and keep the change.",
  },

  favourite: {
    is: "One of your favourites",
    mark: "Mark as a favourite",
    of: (title: string) => `${title}: favourite`,
  },

  filter: {
    all: (title: string) => `All, whatever the ${inSentence(title)}`,
    columns: "Columns to narrow by",
    every: (title: string) => `every ${inSentence(title)}`,
    from: "From",
    further: "narrow further",
    has: "The text has in it",
    howMany: "How many",
    mostOf: "with the most",
    narrow: "Narrow to these",
    noValues: (title: string) => `No ${inSentence(title)} occurs in this period beside the other choices.`,
    occurring: (least: string, greatest: string) => `From ${readable(least)} to ${readable(greatest)} occur.`,
    others: (many: number) => `${many} more; find them by a part of their name.`,
    said: (filter: Api["Filter"], title: string, measures: Api["MeasureName"][]) => {
      const { test } = filter;
      const values = filter.values.map(readable);
      const column = inSentence(title);
      const [first = "", second = ""] = values;
      const some = values.length > 3 ? `${values.length} of ${column}` : listed.format(values);
      const measure = inSentence(measures.find((each) => each.id === second)?.title ?? second);
      return {
        ANY_OF: some,
        NONE_OF: `${column} other than ${values.length > 3 ? `${values.length} of them` : some}`,
        CONTAINS: `${column} with “${first}” in it`,
        BETWEEN:
          first && second
            ? `${column} ${first} to ${second}`
            : first
              ? `${column} ${first} or more`
              : `${column} up to ${second}`,
        TOP: `${column}: the ${first} with the most ${measure}`,
        EMPTY: `without ${column}`,
        FILLED: `with ${column}`,
        ANSWER: first,
      }[test];
    },
    search: (title: string) => `Find a ${inSentence(title)}`,
    tests: {
      ANY_OF: "is one of",
      NONE_OF: "is none of",
      CONTAINS: "has in it",
      BETWEEN: "lies between",
      TOP: "has the most of",
      EMPTY: "is missing",
      FILLED: "is there",
    },
    to: "To",
  },

  groups: {
    manage: (name: string) => `Rename or remove ${name}`,
    removalMeans: "Its members lose what was granted to it. People, and what is granted to them, stay.",
    remove: "remove the group…",
    removed: (name: string) => `The group “${name}” is removed.`,
    removeNow: (name: string) => `Remove ${name}`,
    renamed: (before: string, name: string) => `“${before}” is called “${name}” now.`,
    renameOrRemove: "rename or remove…",
    renameTo: "Name of the group",
    ruled: (dataSets: string[]) =>
      `Row rules of ${dataSets.join(", ")} name this group. Its members see no rows there until the mapping table names the group as it is called then.`,
    add: "Add group",
    changed: (name: string) => `The members of ${name} are saved.`,
    members: (many: number) => counted(many, "person", "people"),
    name: "New group",
  },

  place: {
    chooseFolder: "choose a folder",
    move: "Move report",
    moved: (title: string) => `“${title}” is moved.`,
    moveTo: "Move it to",
    open: "move or remove…",
    pauses: (name: string) => `“${name}” pauses, and its owner is told.`,
    putBack: "put back",
    putBackDone: (title: string) => `“${title}” is in the library again.`,
    putBackNamed: (title: string) => `put back ${title}`,
    removalMeans: "It leaves the library, and can be put back. Its issues stay on their shelves.",
    remove: "remove it from the library…",
    removed: (title: string) => `“${title}” is removed from the library.`,
    removedReports: "Removed reports",
    removeNow: (pausing: number) =>
      pausing === 0
        ? "Remove report"
        : `Remove report and pause ${counted(pausing, "subscription", "subscriptions")}`,
    title: (title: string) => `Move or remove “${title}”`,
  },

  handOver: {
    act: "Hand over",
    all: "hand them all over…",
    allDone: (handed: number, left: number, heir: string) =>
      `${heir} now owns ${handed} more.` + (left > 0 ? ` ${left} could not be handed over.` : ""),
    allTo: (many: number, heir: string) => `Hand ${many} over to ${heir}`,
    asOwner: (heir: string) =>
      `Its copies show what their owner may see: from the next issue, what ${heir} may see.`,
    choose: "choose",
    chooseOther: "choose somebody else",
    chooseNamed: (name: string) => `choose ${name}`,
    done: (name: string, heir: string) => `${heir} now owns “${name}”, and has been told by mail.`,
    letsGo: "It no longer follows what it follows now, and keeps the pages, days and filters that it has.",
    means:
      "What is sent, to whom and when stays as it is. From then on the new owner can change, pause and end it.",
    open: "hand over…",
    owns: "Subscriptions owned",
    ownsNone: "None that go on.",
    people: "Who can take it over",
    title: (name: string) => `Hand over “${name}”`,
    to: (heir: string) => `${heir} becomes the owner`,
    whoFirst: "Choose who takes it over",
  },

  history: {
    noRuns: "Nothing has been made yet.",
    number: (number: number) => `No. ${number}`,
    runs: "What was made",
    deed: (by: string, what: string, version: number | null) =>
      `${by} ${what}${version === null ? "" : ` (version ${version})`}`,
    deeds: "What was changed",
    part: {
      WHEN: "when",
      WHAT: "what",
      PERIOD: "period",
      FILTER: "filters",
      CUT: "cut",
      SEEN_AS: "seen as",
      TO_WHOM: "recipients",
      AS_WHAT: "format",
      UNLESS: "unless",
      LETTER: "letter",
      NAME: "name",
    },
  },

  effect: {
    drops: (person: string, names: string[]) =>
      `${person} no longer gets ${names.map((name) => `“${name}”`).join(", ")}.`,
    loses: (person: string, issues: number) =>
      `${issues === 1 ? "1 issue leaves" : `${issues} issues leave`} the shelf of ${person}.`,
    none: "This changes no subscription, and takes no issue off anybody’s shelf.",
    pauses: (name: string, because: string) => `“${name}” pauses: ${because}`,
  },

  ask: {
    ask: "Ask",
    because: "What for (may be empty)",
    to: (wants: Api["RequestWish"]["wants"]) => (wants === "SEE" ? "ask to read" : "ask for a subscription"),
    waiting: "Asked; the answer comes by mail.",
  },

  requests: {
    answered: {
      GRANTED: (by: string) => `granted by ${by}`,
      DECLINED: (by: string) => `declined by ${by}`,
    },
    asks: (person: string, wants: string, report: string) => `${person} asks to ${wants}: ${report}`,
    decline: "Decline",
    grant: "Grant it",
    none: "Nobody waits for an answer, and nobody has asked yet.",
    reply: (person: string) => `Said to ${person} (may be empty)`,
  },

  approvals: {
    another: "It is your own: another administrator has to approve it.",
    answered: {
      APPROVED: (by: string) => `approved by ${by}`,
      DECLINED: (by: string) => `declined by ${by}`,
    },
    approve: "Approve it",
    asks: (owner: string) => `${owner} asks to send`,
    shows: (others: number, owner: string, columns: string[]) =>
      `${counted(others, "other sees", "others see")} it as ${owner} does, with what is personal: ${listed.format(columns)}.`,
    title: "What waits to be approved",
  },

  houseRules: {
    choices: { WARN: "Say so", MASK: "Mask them", APPROVE: "Have it approved" },
    concerned: (many: number) =>
      many === 0
        ? "No subscription shows others personal columns as its owner sees them."
        : `${counted(many, "subscription shows", "subscriptions show")} others personal columns as the owner sees them`,
    means: {
      WARN: "Whoever subscribes is told, and decides.",
      MASK: "Others than the owner get the page with “•••” in their place, and figures made from them left out.",
      APPROVE:
        "It waits until an administrator, not the owner, has approved it; what runs already waits before its next issue. More recipients, other pages or other filters are approved anew.",
    },
    of: (owner: string, state: string) => `${owner}, ${state}`,
    personal: "Personal columns, where others are shown a page as its owner sees it",
  },

  personal: {
    change: "change which",
    keep: "Keep these",
    kept: "The personal columns are kept.",
    line: "What is personal is minded by a house rule where a subscription shows others what its owner sees: it is said, masked, or has to be approved.",
    none: "No column is personal.",
    some: (columns: string[]) => `${listed.format(columns)}.`,
    title: "Personal columns",
  },

  house: {
    changeShort: "change…",
    changeFolder: (name: string) => `Change the folder ${name}`,
    folderChanged: (name: string) => `The folder “${name}” is changed.`,
    folderName: "Name of the folder",
    liesIn: "Lies in",
    folderRemoved: (name: string) => `The folder “${name}” is removed.`,
    removeFolder: "remove folder",
    addFolder: "Add folder",
    asAbove: "as above",
    asGroups: "as their groups",
    beside: {
      PUBLISH: "and publish reports and data there",
      MANAGE: "and manage it: give rights there, and answer who asks for them",
    },
    cell: (group: string, folder: string, may: string) => `${group} in ${folder}: ${may}`,
    change: "Change it",
    effect:
      "It counts at once: in the library, at every address, on the shelf. At the next send, whoever may not see the report is left out, and the run says why; an owner who may no longer subscribe has the subscription paused and is told.",
    effectTitle: "What it means",
    folder: "Folder",
    granted: (group: string, folder: string, may: string) => `${group} in ${folder}: ${may}.`,
    grantTitle: (group: string, folder: string) => `${group} in ${folder}`,
    lines: {
      rights: "Who may do what, where. A folder takes what the one above it gives, until it says otherwise.",
      people: "Who has an account. People you invite choose their own password.",
      groups: "Rights are given to groups. A new group may do nothing until granted.",
      sources:
        "Where data may come from: databases and watched folders. Whoever publishes in its folder may use a source.",
      requests:
        "Who asks to read or to subscribe to what they know of, and what waits to be approved. The answer goes to them by mail.",
      rules: "What the house wants of everybody, whoever may do what.",
      "set-aside":
        "Work that failed again and again. It is not tried again by itself, and holds up nothing else.",
      audit: "Who did what, when, and how it was before. Nothing here can be changed or removed.",
    },
    managed: "You see the folders that you manage; administrators mind the rest of the house.",
    managersByAdministrators: "Who manages a folder is for administrators to say.",
    mayDo: "What it may do",
    names: {
      rights: "rights",
      people: "people",
      groups: "groups",
      sources: "sources",
      requests: "requests",
      rules: "house rules",
      "set-aside": "set aside",
      audit: "audit trail",
    },
    newFolder: "New folder",
    nothing: "nothing",
    person: "Person",
    personal: "Given to single people, beside their groups",
    readOnly: "You read this as an auditor; administrators change it.",
    parts: "Parts of the house",
    stays: "What was delivered stays on record, whoever may still see it.",
    toPerson: "Give to this person",
    top: "at the top",
    within: "In",
  },

  addressChange: {
    action: "Confirm this address",
    done: "Issues and notices go there from now on, and you sign in with it.",
    doneTitle: "Your mail address is changed",
    line: (name: string, address: string) =>
      `${name}, mail from Mail Shelf goes to ${address} when you confirm it. You then sign in with this address.`,
    on: "Go to Mail Shelf",
    title: "Confirm your new mail address",
  },

  forgotten: {
    action: "Send a link",
    ask: "ask for a new link",
    back: "back to signing in",
    line: "Give the address you sign in with. We mail you a link that sets a new password.",
    sent: (address: string) =>
      `If somebody signs in with ${address}, a link is on its way there. It works once, for one hour.`,
    sentTitle: "Look into your mail",
    title: "Forgot your password?",
  },

  invitation: {
    action: "Set password",
    pageTitle: "Choose a password",
    line: (address: string) =>
      `You are invited to Mail Shelf as ${address}. Choose a password to sign in with.`,
    password: "Password, at least 10 characters",
    resetLine: (name: string, address: string) =>
      `${name}, choose a new password for ${address}. You are signed out everywhere else.`,
    resetTitle: "Set a new password",
    title: (name: string) => `Welcome, ${name}`,
  },

  issue: {
    asSent: "as it was sent",
    colophon: "Colophon",
    mail: "the mail",
    neighbours: "Issues before and after",
    next: "next",
    previous: "previous",
    run: "Who was sent it",
    unread: "keep as unread",
    yours: "Yours",
  },

  letter: {
    asUsual: "As usual again",
    fields: "Fields",
    otherwise:
      "Behind a semicolon may be said what stands there where a field says nothing: {value of routes; all routes}.",
    ownWords: "with words of its own",
    putIn: { subject: "Put into the subject", text: "Put into the text" },
    subject: "Subject, with fields in braces",
    text: "Words before the figures (may be empty)",
    under: "Under the subject",
    usual: "the usual one",
  },

  library: {
    all: "Show everything",
    change: "Change what I get",
    count: (kind: Api["Entry"]["kind"], pages: number, subscribers: number) =>
      `${kind === "DASHBOARD" ? "dashboard, " : ""}${counted(pages, "page", "pages")} · ${subscribers === 0 ? "nobody is" : counted(subscribers, "person is", "people are")} sent it`,
    folders: "Folders",
    foundIn: (text: string) => `found in “${text}”`,
    from: (owner: string, folder: string | undefined, tags: string[]) =>
      [`by ${owner}`, ...(folder ? [`in ${folder}`] : []), ...tags].join(" · "),
    known: "More that there is",
    knownLine: "You may know of these, not open them. Whoever manages their folder can allow it.",
    line: (many: number, sought: string) =>
      sought
        ? `${counted(many, "report", "reports")} with “${sought}”.`
        : `${counted(many, "report", "reports")} that you may read.`,
    more: (many: number) => `Show ${many} more`,
    none: {
      FOLDER: "Reports that you may read are listed here. An administrator grants folders to your groups.",
      OPENED: "Reports that you open are listed here, the last one first.",
      FRESH: "Reports that you may read are listed here, those with the newest figures first.",
      FAVOURITES: "Reports that you mark with the star are listed here.",
    },
    opened: (at: string) => `you opened it ${at}`,
    order: "Which, and in which order",
    orders: {
      FOLDER: "by folder",
      OPENED: "last opened",
      FRESH: "newest figures",
      FAVOURITES: "my favourites",
    },
    nothingFound: {
      FOLDER: (sought: string) => `No report that you may read contains “${sought}”.`,
      OPENED: (sought: string) => `None of the reports that you have opened contains “${sought}”.`,
      FRESH: (sought: string) => `No report that you may read contains “${sought}”.`,
      FAVOURITES: (sought: string) => `None of your favourites contains “${sought}”.`,
    },
    search: "Search titles, pages, columns",
    to: (title: string) => `to ${title}`,
    youGet: (name: string) => `you get it: ${name}`,
  },

  mail: {
    attached: (name: string) => `attached: ${name}`,
    body: (subject: string) => `Mail: ${subject}`,
    face: "Show as",
    from: "from",
    html: "as a mail program shows it",
    list: "list",
    source: "source",
    text: "as plain text",
    to: "to",
  },

  mailRoom: {
    inboxes: "Inboxes",
    inboxOf: (name: string) => `Inbox of ${name}`,
    line: "The demo’s own mail server: every mail that was sent, as its reader sees it. No mail leaves this machine.",
    noMail: "no mail yet",
    treats: "a mail to this address: the server",
  },

  named: {
    add: "New named value",
    atLeast: (name: string) => `“${name}” or more`,
    atMost: (name: string) => `up to “${name}”`,
    by: "By a named value",
    elsewhere: (many: number) =>
      `${counted(many, "named value has", "named values have")} nothing that occurs here`,
    change: "change",
    changeOne: (name: string) => `change ${name}`,
    column: "Column",
    comesTo: (outcome: Api["Outcome"]) => {
      const more = outcome.more > 0 ? ` (${outcome.values.length + outcome.more} values)` : "";
      const written = outcome.written.length > 300 ? `${outcome.written.slice(0, 300)} …` : outcome.written;
      if (outcome.values.length === 0) return "Comes to nothing now.";
      return `Comes to ${written}${more}${outcome.isFallback ? ", which it falls back on" : ""}.`;
    },
    dataSet: "Data set",
    empty:
      "There is none yet. A named value is defined once, such as the routes of the ring or the first day of the month, and used in filters by its name.",
    fallback: "Where there is nothing, one a line",
    folder: "Folder",
    form: "Named value",
    formula: "Formula",
    formulaHint: "Over today, days and numbers, such as today - day(today) + 1 for the first of this month.",
    from: "It is",
    how: (named: Api["NamedValue"]) =>
      ({
        CONSTANT: "written out",
        FORMULA: `= ${named.formula}`,
        FIRST: `the first ${named.column} of its data`,
        DISTINCT: `every ${named.column} of its data that the reader may see`,
      })[named.kind],
    inUse: "cannot be removed while it is used",
    keep: "Keep it",
    kinds: {
      CONSTANT: "written out",
      FORMULA: "computed",
      FIRST: "the first of a column",
      DISTINCT: "all that occur in a column",
    },
    lastWord: "Before the last",
    line: "Values and lists that are defined once and used by their names in filters, letters and texts. Who looks sees what they come to in the rows that they may see.",
    name: "Name",
    noColumn: "choose a column",
    noDataSet: "choose a data set",
    noFolder: "choose a folder",
    remove: "remove",
    removeOne: (name: string) => `remove ${name}`,
    removed: (name: string) => `The named value “${name}” is removed.`,
    separator: "Between them",
    title: "Named values",
    usedBy: (uses: string) => `used by ${uses}`,
    values: "Values, one a line",
  },

  notHere: {
    library: "To the library",
    line: "Nothing stands at this address, or nothing that you may see.",
    shelf: "To the shelf",
    title: "Nothing here",
  },

  outcome: {
    OPEN: "under way",
    SENT: "sent",
    PARTLY: "partly delivered",
    FAILED: "failed",
    SKIPPED: "skipped",
    MISSED: "missed",
  },

  seenAs: {
    RECIPIENT: "Each recipient sees their own",
    OWNER: "All see what the owner may see",
    forbidden: "The data allow each their own rows alone.",
    meaning: {
      RECIPIENT: (ruled: string[]) =>
        ruled.length === 0
          ? "There are no row rules on these data at present: all see the same."
          : `Everybody gets a copy cut to what they may see, by ${listed.format(ruled)}.`,
      OWNER: () => "Everybody gets the same copy; rows that some may not see elsewhere are shown to them.",
    },
  },
  output: {
    mail: "the first page’s figures, tables and charts in the mail, as text",
    pdf: "all chosen pages as a PDF, attached",
    picture: "a picture of the first page in the mail",
  },

  pages: {
    label: "Pages",
    of: (at: number, many: number) => `page ${at} of ${many}`,
  },

  part: {
    WHAT: "what",
    PERIOD: "the period",
    CUT: "the cut that it follows",
    FILTER: "the filter",
    TO_WHOM: "to whom",
    SEEN_AS: "seen as",
    AS_WHAT: "as what",
    LETTER: "the letter",
    UNLESS: "unless",
    WHEN: "when",
    NAME: "a name",
  },

  people: {
    address: "Address",
    addressAsked: (address: string) =>
      `A mail is on its way to ${address}. The address changes when it is confirmed there.`,
    addressIs: (address: string) => `Mail goes to ${address}.`,
    askAddress: "Ask for confirmation",
    change: "change…",
    changeOf: (name: string) => `Change ${name}`,
    changed: (name: string) => `Changes to ${name} are saved.`,
    heads: ["Name", "Groups", "Time zone", "Roles", "Signs in", ""],
    invite: "Invite",
    inviteAgain: "send a new invitation",
    invited: (name: string, address: string) => `${name} is invited: a mail is on its way to ${address}.`,
    mailAddress: "Mail address",
    maySignIn: "May sign in and be sent issues",
    name: "Name",
    otherAddress: "New mail address",
    roles: {
      ADMINISTRATOR: "Is an administrator",
      AUDITOR: "Reads everything as an auditor",
    },
    signedOut: (name: string, many: number) =>
      many === 0
        ? `${name} was not signed in anywhere else.`
        : `${name} is signed out: ${counted(many, "session is", "sessions are")} ended.`,
    signOut: "sign out everywhere",
    state: (active: boolean, invited: boolean, demo: boolean) =>
      !active ? "not active" : !invited ? "with a password" : demo ? "by one click" : "invited",
    waitsFor: (address: string) => `${address} waits to be confirmed.`,
    withdraw: "withdraw",
  },

  period: {
    dayBegins: "Days begin at",
    firstWeek: "7 days at first",
    sinceLastIssue: "since the last issue",
    fixed: "Fixed dates",
    fixedTimes: "Fixed times",
    from: "From",
    label: "Periods",
    last: "The last",
    means: (named: string, days: string) => `${named}: ${days}`,
    reach: "With or without the current one",
    reaches: {
      complete: "without the current one",
      "so-far": "with the current one to date",
      rolling: "counted back from yesterday",
      whole: "the current one, whole",
    },
    reachesOfHours: {
      complete: "up to the last full hour",
      "so-far": "up to the minute",
    },
    to: "To",
    unit: "Days, weeks or the like",
    units: (unit: string, many: number) => (many === 1 ? unit : `${unit}s`),
    useFixed: "Use these dates",
    useFixedTimes: "Use these times",
    useLast: "Use these",
  },

  preview: {
    as: "as",
    face: "What is sent, as it looks",
    faces: "Which face of it",
    fromTo: (from: string, to: string) => `from ${from} · to ${to}`,
    gets: "gets it",
    mail: "mail",
    mailOf: (name: string) => `The mail as ${name} gets it`,
    nothing: "What is sent shows here as soon as nothing of it is missing.",
    pdf: (sheets: number, size: string) => `PDF, ${counted(sheets, "sheet", "sheets")}, ${size}`,
    saveFile: "save the file itself",
    sheet: (at: number, many: number) => `Sheet ${at} of ${many}`,
    text: "as text",
  },

  questions: {
    answer: "Answer",
    first: (ask: string) => `Answer first: ${ask}`,
    line: "This report shows nothing until it is said; a subscription says it once, for all its issues.",
    said: (ask: string, answer: string) => `${ask} ${answer || "…"}`,
    title: (many: number) => (many === 1 ? "The report asks first" : `The report asks ${many} things first`),
  },

  reader: {
    take: (title: string, kind: string) => `${title} as ${kind}`,
    takeAlong: "This page as a file:",
    asPublished: "Subscribe as published",
    cut: "What is shown",
    moreSubscriptions: "and more",
    showing: "Showing",
    sendOnce: "Send once",
    subscribed: "Subscriptions to it:",
    subscription: (name: string, state: string) =>
      state === "ACTIVE" ? name : `${name} (${state.toLowerCase()})`,
    subscribeToThis: "Subscribe to this",
  },

  recipients: {
    others: (many: number) =>
      `${counted(many, "other gets", "others get")} it too. Its owner and administrators see who.`,
    back: (subscription: string) => `You get “${subscription}” again, from its next issue on.`,
    getAgain: "get it again",
    leave: "leave",
    left: (subscription: string) => `You get no further issues of “${subscription}”.`,
    putBack: (name: string, subscription: string) =>
      `${name} gets “${subscription}” again, from its next issue on.`,
    putBackNamed: (name: string) => `put ${name} back`,
    putBackShort: "put back",
    taken: (name: string, subscription: string) =>
      `${name} is off “${subscription}”. Numbers and days stay as they are.`,
    title: "Who gets it",
  },

  rows: {
    behind: (title: string) => `The rows behind ${title}`,
    choice: "Columns shown, in order",
    columns: (shown: number, offered: number) =>
      shown === offered ? "all columns" : `${shown} of ${offered} columns`,
    coming: "…",
    copied: (rows: number, all: number) =>
      rows === all
        ? `${en.number(rows)} rows copied.`
        : `The first ${en.number(rows)} of ${en.number(all)} rows copied; the file has all.`,
    copy: "copy as text",
    count: (many: number) => `${en.number(many)} ${many === 1 ? "row" : "rows"}`,
    csv: "as CSV",
    earlier: (column: string) => `${column}: further to the left`,
    first: (shown: number, all: number) => `The first ${en.number(shown)} of ${en.number(all)} rows.`,
    later: (column: string) => `${column}: further to the right`,
    of: (title: string) => `Show the rows of ${title}`,
    scroll: (title: string) => `${title}, to be scrolled`,
    title: "Rows",
  },

  run: {
    because: (failure: string) => `Its last load failed: ${failure}`,
    attempt: (number: number, at: string, said: string, reply: string) =>
      `${number}. ${at}: ${said}${reply ? ` (“${reply}”)` : ""}`,
    copy: "copy",
    copyOf: (name: string) => `The copy of ${name}`,
    heads: ["Recipient", "What became of it", "When", "Tries"],
    issue: (number: number) => `Issue No. ${number}`,
    line: (trigger: string, by: string, at: string) => `Made ${trigger}${by ? ` by ${by}` : ""}, due ${at}.`,
    nextTry: (at: string) => `next try ${at}`,
    nobody: "Nobody was on the list.",
    recipients: "Recipients of this run",
    sendToMissing: (many: number) => `Send to ${many} missing`,
    trial: "The trial",
    tryAgain: "Try again",
    trying: (many: number) => `${counted(many, "mail is", "mails are")} tried again.`,
  },

  setAside: {
    failed: (failures: number, at: string) =>
      `Failed ${counted(failures, "time", "times")}, the last time ${at}.`,
    none: "Nothing is set aside. Work that keeps failing is shown here, with its reason.",
    sendOf: (due: string) => `The send of ${due} is set aside`,
    some: "Something is set aside",
    title: "Set aside",
    tryAgain: "Try again",
    tryAgainOf: (what: string) => `Try again: ${what}`,
    trying: "It is being tried again.",
  },

  section: {
    house: "House",
    library: "Library",
    mailRoom: "Mail room",
    shelf: "Shelf",
    subscriptions: "Subscriptions",
  },

  send: {
    action: (many: number) => `Send to ${counted(many, "person", "people")}`,
    issue: (number: number, days: string) => `Issue No. ${number} is made now, for ${days}.`,
    loadFirst: "Its data are loaded first; where that fails, it goes with those of before, and says so.",
    noRegular: "No regular send is planned.",
    regular: (at: string) => `The regular one still goes on ${at}.`,
    title: (name: string) => `Send “${name}” now`,
    to: (many: number) => `It goes to ${counted(many, "person", "people")}.`,
    what: "What would happen",
  },

  sends: {
    about: (at: string, days: string) => `${at}: the days ${days}.`,
    none: {
      demand: (days: string) => `It goes only when somebody sends it. Sent now, it shows ${days}.`,
      load: (days: string) =>
        `No load is planned by time: it goes after the next one. Sent now, it shows ${days}.`,
    },
    noneTitle: { demand: "On demand", load: "After the next load" },
    inMine: (at: string, zone: string) => `That is ${at} in ${zone}.`,
    label: "The next sends",
    one: (at: string, days: string, shift: string) => `${at}, for ${days}${shift ? `, ${shift}` : ""}`,
    title: (many: number, expected: boolean) =>
      expected ? `The next ${many} sends, as loads are planned` : `The next ${many} sends`,
  },

  shelf: {
    empty: {
      ALL: "Every issue that you may see stands here. Nothing has been made yet: subscribe to a report, and its issues follow.",
      PUT_FOR_ME: "Nobody has put anything here for you yet.",
      CHOSEN_BY_ME: "You have not subscribed to anything yet.",
    },
    groups: { NEEDS_A_LOOK: "Needs a look", NEW: "New", QUIET: "Quiet" },
    keys: "arrow keys walk · letters jump to a title · Enter opens",
    roomy: "roomy",
    rows: "rows:",
    scope: "Whose",
    scopes: { ALL: "everything I may see", PUT_FOR_ME: "put there for me", CHOSEN_BY_ME: "chosen by me" },
    sheaf: (many: number, states: string[], newest: string) =>
      `${many} issues of one week: ${listed.format(states)}. The newest: ${newest}`,
    span: "How far back",
    spans: { 28: "the last 4 weeks", 91: "the last 3 months", 365: "the last year" } as Record<
      number,
      string
    >,
    tight: "tight",
    toCome: (at: string) => `to come ${at}`,
    today: "today",
    toLibrary: "To the library",
  },

  signIn: {
    action: "Sign in",
    address: "Address",
    demo: "Or look around as",
    demoLine: "In the demo one click is enough. Everybody here is made up.",
    ended:
      "Your session has ended: you signed out in another window, or an administrator ended it, or it was too old. Sign in, and you are back where you were.",
    motto: "The right pages, waiting in the mail when the working day starts.",
    password: "Password",
    title: "Sign in",
  },

  spine: {
    UNREAD: "unread",
    READ: "read",
    OTHERS: "sent to others only",
    SKIPPED: "skipped",
    PARTLY: "partly delivered",
    FAILED: "failed",
    UNDER_WAY: "being made",
    TO_COME: "to come",
  },

  subscriptions: {
    count: (many: number, state: string) => `${many} ${state}`,
    empty: "What you subscribe to, and what others put you on, is listed here.",
    lastIssues: "Last issues",
    line: (many: number, states: string[], next: string) =>
      `${many} that you may see${states.length > 0 ? `: ${states.join(", ")}` : ""}.${next ? ` The next leaves ${next}.` : ""}`,
    nextSend: "Next send",
    noIssues: "no issue yet",
    noneSo: "No subscription is so.",
    of: (owner: string, state: string) => `${state} · owned by ${owner}`,
    owner: "Whose",
    owners: { ALL: "all that I may see", MINE: "mine" },
    showing: "Showing",
    state: "In which state",
    states: { ANY: "any state", DRAFT: "draft", ACTIVE: "active", PAUSED: "paused", ENDED: "ended" },
    unnamed: "Without a name",
    untimed: (afterLoads: boolean) => (afterLoads ? "after the next load" : "on demand"),
  },

  theme: {
    label: "Light",
    system: "as the system",
    daylight: "daylight",
    lamplight: "lamplight",
  },

  houseRole: {
    ADMINISTRATOR: "administrator",
    AUDITOR: "auditor",
  },

  unless: {
    ends: {
      SEND: (waits: boolean) => (waits ? "Then send it all the same" : "Send it all the same"),
      SKIP: (waits: boolean) => (waits ? "Then leave it out" : "Leave it out"),
    },
    failed: "Where the last load of its data has failed",
    hours: "Hours at most",
    meaning: {
      SEND: "The figures are those of before; the issue says so, with when the load failed.",
      SKIP: "Its place on the shelf says why.",
    },
    noRows: "No rows: it is not sent; judged for each copy where recipients see different rows.",
    wait: "Wait for a load that succeeds",
  },

  verb: {
    KNOW: "know of",
    PUBLISH: "publish",
    MANAGE: "manage",
    SEE: "see",
    SUBSCRIBE_SELF: "for myself",
    SUBSCRIBE_TEAMMATES: "for the team",
  },

  week: {
    begins: "A week begins on",
    days: { MONDAY: "Monday", SATURDAY: "Saturday", SUNDAY: "Sunday" },
  },

  when: {
    date: "Day of the month",
    days: "Days",
    how: "How often",
    inDays: (days: number) => `in ${days} days`,
    inHours: (hours: number, minutes: number) =>
      minutes === 0 ? `in ${hours} h` : `in ${hours} h ${minutes}`,
    inMinutes: (minutes: number) => `in ${minutes} min`,
    eachLoad: "after each load",
    kinds: {
      DAILY: "daily",
      WEEKLY: "weekly",
      MONTHLY: "monthly",
      LOAD: "after a load",
      DEMAND: "on demand",
    },
    loadFirst: "Load its data first",
    span: "How often at most",
    spanOfDays: (days: number) => (days === 1 ? "once a day" : `every ${days} days`),
    spanOfHours: (hours: number) => (hours === 1 ? "once an hour" : `every ${hours} hours`),
    spanOfMinutes: (minutes: number) => `every ${minutes} minutes`,
    matching: "Issues that come so often can show each day once:",
    show: (period: string) => `show ${period}`,
    lastDay: "in a month without it, on its last day",
    now: "now",
    time: "At",
    weekdays: {
      MONDAY: "Monday",
      TUESDAY: "Tuesday",
      WEDNESDAY: "Wednesday",
      THURSDAY: "Thursday",
      FRIDAY: "Friday",
      SATURDAY: "Saturday",
      SUNDAY: "Sunday",
    },
    zone: "Time zone",
  },

  why: {
    choose: "choose",
    folder: "In which folder",
    line: "What somebody may do, and through which groups and folders it comes to that.",
    person: "Whom it is about",
    title: "Why may somebody see this?",
  },
};
