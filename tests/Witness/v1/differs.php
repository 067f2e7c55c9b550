<?php

declare(strict_types=1);

/*
 * What rightly differs from version 1, and why: path in the answer or the
 * facts (* for anything) → reason. Closed: what is not here is a defect.
 */
return [
    'answers/api/tests/progress/body/cursor' => 'where a page has read to: named after what was released, no longer '.
        'after the number of its row',
    'file/progress/V-406' => 'withdrawn since the release that the shop works from; a file carries what is decided, '.
        'and no release',
    'answers/api/runs/*/test*/body/fingerprint' => 'what a reading relies on is hashed by the second edition; the '.
        'first one’s hash comes along as formerly',
    'answers/api/runs/*/test*/body/formerly' => 'see fingerprint',
    'answers/api/runs/*/test*/body/cards' => 'what a method is called, what it answers in and how near is near comes '.
        'with the answer',
    'answers/api/runs/*/test*/body/methods/*/*/what' => 'see asks',
    'answers/api/runs/*/test*/body/methods/*/*/asks' => 'what is asked of a pair, as it is said',
    'answers/api/runs/*/test*/body/methods/*/*/unit' => 'a reading’s unit comes with its question',
    'answers/api/runs/*/test*/body/methods/*/*/optional' => 'what a method is answered without is said with the '.
        'question',
    'answers/api/simulators/assemblies/*/body/could/*' => 'a simulated cable can have a connector loaded by one '.
        'misunderstanding: upside down, from the wrong side, by the other scheme, channels each on another’s contacts',
    'answers/api/session/body/installations/*/address' => 'what every address calls an installation comes with it',
    'answers/api/session/body/open/address' => 'see installations',
    'answers/api/labels.csv' => 'a printed code names its installation',
    'facts/files/labels.csv' => 'see labels.csv',
    'answers/api/schedule/body/rows/*/who' => 'who worked on it is said by name, no longer by sign-in name',
    'answers/api/runs/*/test*/body/run/who' => 'see schedule',
    'answers/api/runs/*/body/who' => 'see schedule',
    'answers/api/installation.json/body/people/*/id' => 'what records call a person by, beside the sign-in name',
    'answers/api/crew/body/people/*/id' => 'a person’s key in place of the number of a row',
    'answers/api/crew/body/people/*/mine' => 'roles belong to the membership: a lead changes those of the own crew, '.
        'and nobody’s password',
    'answers/api/crew/body/people/*/left' => 'who is not of the crew any more is still known',
    'answers/api/crew/body/invites' => 'whether who asks may invite new people',
    'answers/api/crew/body/colleagues' => 'whom of the organisation the crew could take in',
    'answers/api/crew/body/given/*/user_id' => 'see person',
    'answers/api/crew/body/given/*/person' => 'a person’s key in place of the number of a row',
    'answers/api/crew/board/body/people/*/signIn' => 'see id',
    'answers/api/crew/board/body/people/*/id' => 'people are told apart by their keys',
    'answers/api/session/body/person/id' => 'what records call a person by',
    'answers/api/session/body/person/organisation' => 'whose people and installations they are',
    'answers/api/session/body/person/offices' => 'what a person looks after there',
    'answers/api/session/body/open/archived' => 'whether it is read and not written',
    'answers/api/session/body/installations/*/archived' => 'see open',
    'answers/api/outstanding/body/rules' => 'how many types the organisation’s library has newer',
    'answers/api/runs/*/body/basis' => 'what something that is recorded now is recorded on',
    'answers/api/runs/*/test*/body/basis' => 'see runs',
    'answers/api/runs/*/body/history/*/doubt' => 'what is doubtful about when it is said to have been done; nothing '.
        'in records of this version',
    'answers/api/runs/*/test*/body/trials/*/doubt' => 'see history',
    'answers/api/cutting/body/cables/*/assigned/*/cuts/*/basis' => 'see runs',
    'answers/api/site/body/runs/*/basis' => 'see runs',
    'answers/api/bench/*/body/state/standings/*/on' => 'what the next record on a step is recorded on',
    'answers/api/bench/*/body/state/since' => 'what every record of a job is recorded on',
    'answers/api/crew/board/body/forecast/hours/value' => 'the last digits of times decide which of two jobs '.
        'that take as long is put first, and the order that is found is another as good one: 0.1 min of 164',
    'answers/api/bench/*/body/state/conflicts' => 'what was recorded apart from each other',
    'answers/api/crew/body/people/*/version' => 'what a write says that it was made on',
    'answers/api/runs/*/body/circuits/*/version' => 'see crew',
    'answers/api/runs/*/sheet/*/body/*/fittings/*/version' => 'see crew',
    'answers/api/installation.json/body/record/*/with' => 'instruments are named by ids beside what they were called',
    'answers/api/cutting/body/cables/*/assigned' => 'another plan, which buys as many and no longer reels: what is '.
        'cut stays where it was meant to be cut',
    'answers/api/cutting/body/cables/*/untouched' => 'see assigned',
    'answers/api/cutting/body/cables/*/kept' => 'see assigned',
    'answers/api/cutting/body/cables/*/atLeast' => 'the bound is as high as what is bought where nothing less does',
    'answers/api/cutting/body/cables/*/findings' => 'that a reel is used to its end is said',
    'answers/api/cutting/body/findings' => 'see cables',
    'answers/api/cutting/body/margin' => 'what the house asks to stay on every reel',
    'answers/api/cutting/cut-list.pdf' => 'see cutting',
    'answers/api/parts/body/lines/*/stock' => 'see cutting',
    'answers/api/parts/body/lines/*/short' => 'see cutting',
    'answers/api/parts/body/lines/*/sources' => 'see cutting; what is yet to be bought is no stock',
    'answers/api/parts/body/lines/*/reels' => 'how long the reels are that are to be bought',
    'answers/api/parts.csv' => 'see cutting',
    'facts/files/parts.csv' => 'see cutting',
    'answers/api/runs/*/test*/body/mains' => 'points of mains by name: no lamp is put to them',
    'answers/api/runs/P-007/test*/body/from' => 'no lamp is put to mains: a composite’s signal and mains are tested '.
        'apart',
    'answers/api/runs/P-007/test*/body/to' => 'see from',
    'answers/api/runs/P-007/test*/body/expected' => 'see from',
    'answers/api/runs/P-007/test*/body/methods' => 'see from: polarity is read with the ohmmeter, insulation at '.
        'both ends',
    'answers/api/runs/P-007/test*/body/plan' => 'see from',
    'answers/api/runs/P-007/coverage*/body' => 'see from: what is wrong with mains shows in no map any more',
    'answers/api/installation.json/body/catalogue/procedures' => 'ends are made by procedures, which are types like '.
        'others',
    'answers/api/types/body/procedure' => 'see installation.json',
    'answers/api/parts/worth/body/assemblies/*/minutes' => 'an end is made step by step, and its minutes are those of '.
        'the steps',
    'answers/api/parts/worth/body/assemblies/*/make' => 'see minutes',
    'answers/api/parts/worth/body/assemblies/*/saving' => 'see minutes',
    'answers/api/crew/body/times' => 'steps of procedures have times of their own',
    'answers/api/crew/board/body/forecast/hours/terms/*/source' => 'see times',
    'answers/api/runs/*/sheet/*/body/*/fittings/*/legs/*/made' => 'how the end is made, step by step',
    'answers/api/runs/*/sheet/*/body/*/fittings/*/legs/*/tools' => 'tools are those that the steps name',
    'answers/api/runs/*/sheet/*/body/*/fittings/*/legs/*/cores/*/cut' => 'how far the core comes out of the sheath '.
        'when the steps are done',
    'answers/api/runs/*/sheet/*/body/*/fittings/*/blocks/*/cut' => 'see cores',
    'answers/api/runs/*/sheet/*/sheet.svg' => 'the sheet shows the steps, each with the end after it',
    'answers/api/runs/*/sheet/*/sheet.pdf' => 'see sheet.svg',
    'answers/api/runs/*/sheet/*/strip.svg' => 'see sheet.svg',
    'file/progress/*/settled' => 'an end has more steps than its recipe had: what was done then counts for all that '.
        'it comes to now, and nothing of it is overtaken',
    'file/progress/*/stands/gate' => 'see settled: what lies on the cable is looked at before the first heat',
    'file/progress/*/stands/fit' => 'see settled: what is brought over a joint',
    'file/progress/*/stands/tug' => 'see settled: a contact is pulled as it is put in',
    'file/progress/*/stands/dress/done' => 'see settled',
    'file/progress/*/stands/dress/to-do' => 'see settled',
    'file/progress/*/stands/tin/done' => 'see settled',
    'file/progress/*/stands/tin/to-do' => 'see settled',
    'file/progress/*/stands/inspect/done' => 'see settled: the exit of a hood is looked at before anything is cut',
    'file/progress/*/stands/inspect/to-do' => 'see settled',
    'file/progress/*/stands/strip/done' => 'see settled',
    'file/progress/*/stands/strip/to-do' => 'see settled',
    'answers/api/drafts/*/body/runs/*/remake' => 'see parts/worth: making an end again takes its steps',
    'answers/api/drafts/*/body/minutes' => 'see runs',
    'answers/api/drafts/*/body/cost' => 'see runs',
    'file/progress/*/stands/join/to-do' => 'see settled: one stroke joins a plug’s screen with its cores',
    'file/progress/*/stands/dress' => 'see settled: nothing is cut to length where the tool strips to length',
    'facts/files/installation.json' => 'see answers/api/installation.json: its procedures',
    'facts/files/* A.svg' => 'see sheet.svg',
    'facts/files/* B.svg' => 'see sheet.svg',
    'answers/api/schedule/body/rows/*/cut' => 'what crimped rectangular ends use up beyond what was stated for '.
        'preparing them is cut longer; what was cut stands',
    'answers/api/schedule.csv/*' => 'see cut',
    'answers/api/runs/M-201/body/cut' => 'see cut',
    'answers/api/runs/M-201/body/worked/*' => 'see cut',
    'answers/api/looms/*/body/members/*/cut/*' => 'see cut',
    'answers/api/parts/body/lines/*/needed/*' => 'see cut: so much more of the same cables',
    'answers/api/runs/M-201/body/reach/*' => 'see cut: a longer cable reaches less far, by its length',
    'answers/api/reach/body/circuits/*/used/*' => 'see reach of M-201',
    'answers/api/reach/body/circuits/*/margin' => 'see reach of M-201',
    'answers/api/reach/body/circuits/*/information/*/figure/*' => 'see reach of M-201',
    'file/progress/P-007/stands/label' => 'of a composite the signal is finished at both ends before mains is begun',
    'answers/api/runs/*/sheet/*/legs/*/opened' => 'how far a leg was opened, and whether it is measured '.
        'on the equipment',
    'answers/api/runs/*/sheet/*/legs/*/measurable' => 'see opened',
    'answers/api/runs/*/sheet/*/legs/*/onEquipment' => 'see opened',
    'answers/api/runs/*/sheet/*/legs/*/measured' => 'see opened',
    'facts/lengths/M-201' => 'see cut',
    'facts/lengths/W-13[3-8]' => 'see cut',
    'facts/lengths/W-11[56]' => 'see cut: D-subs, whose cores are cut each to its own cup',
    'facts/lengths/W-12[12]' => 'see W-115',
    'facts/files/schedule.csv' => 'see cut',
    'answers/api/installation.json/body/installation/rules/coilTie' => 'a question of the house that there was not, '.
        'with the answer that changes nothing',
    'answers/api/rules/body/rules/coilTie' => 'see installation.json',
    'answers/api/rules/body/schools/14' => 'see installation.json',
    'answers/api/installation.json/body/installation/rules/compositeSleeve' => 'a question that there was not; '.
        'nothing that was pinned asks it',
    'answers/api/rules/body/rules/compositeSleeve' => 'see installation.json',
    'answers/api/rules/body/schools/15' => 'see installation.json',
    'answers/api/types/*/*/answers' => 'what a house may answer, for who edits a procedure; nothing of other types',
    'answers/api/types/*/*/newer' => 'the edition of a procedure that ships, where another one is followed: none here',
    'file/progress/W-14[69]/stands' => 'the same: a low-profile plug has its joints in the order of '.
        'its procedure, the conductor first',
    'answers/api/runs/*/sheet/*/opened' => 'how an end is opened into its legs, where a procedure says so: none that '.
        'was pinned does',
    'file/progress/C-42[01]/next' => 'see settled: a jack follows its procedure, in its words',
    'answers/api/crew/board/body/forecast/ahead/*' => 'a panel is wired as one piece of work: its connectors are '.
        'fixed in it before its cups are filled, so its work falls into other pieces',
    'answers/api/bench/body/jobs/3[34]/alike' => 'see ahead: the two looms that end in the split panel',
    'facts/progress/M-20[34]/stands' => 'the same: what stands is listed in the order of the work',
    ...array_fill_keys(
        array_map(static fn (string $id): string => 'answers/api/*/body/*/'.$id, require __DIR__.'/ships.php'),
        'a type that ships now',
    ),
];
