<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\Role;
use App\Models\StoredEntry;
use App\Models\StoredInstallation;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\TestingCodec;
use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Later\Telling\NoticeKind;

/** Tells whoever tests with an instrument that its calibration ends, a while before and when it has. */
final readonly class OfInstruments
{
    /** Days before: a calibration laboratory takes a week or two (common practice). */
    private const AHEAD = 14;

    /** Days that whoever measured with an instrument is taken to go on with it. */
    private const LATELY = 180;

    public function __construct(private Teller $teller)
    {
    }

    /** Once a day, and once something was decided: it may have been about an instrument. */
    public function bringUpToDate(StoredInstallation $stored): void
    {
        $today = now()->format('Y-m-d');
        $state = $today.' '.$stored->decisions;
        $isFirst = DB::table('installations')
            ->where('id', $stored->id)
            ->where('calibrated', '<>', $state)
            ->update(['calibrated' => $state]);
        if ($isFirst === 1) {
            $this->look($stored, $today);
        }
    }

    private function look(StoredInstallation $stored, string $today): void
    {
        $soon = now()->addDays(self::AHEAD)->format('Y-m-d');
        $causes = [];
        foreach (self::instruments($stored) as $instrument) {
            if ($instrument->calibratedTo === '' || $instrument->calibratedTo > $soon) {
                continue;
            }
            $isOver = $instrument->isOverdue($today);
            $cause = mb_substr($instrument->id, 0, 90).' '.$instrument->calibratedTo.($isOver ? ' over' : '');
            $causes[] = $cause;
            $this->teller->tell(
                $stored,
                new Matter(
                    NoticeKind::Calibration,
                    $cause,
                    sprintf(
                        $isOver ? 'The calibration of %s has run out' : 'The calibration of %s ends',
                        $instrument->name.($instrument->number === '' ? '' : ' '.$instrument->number),
                    ),
                    '/test/instruments',
                    about: ['on' => $instrument->calibratedTo],
                ),
                $this->users($stored, $instrument),
            );
        }
        $open = Teller::open($stored, NoticeKind::Calibration)->whereNotIn('cause', $causes);
        $past = array_filter($open->distinct()->pluck('cause')->all(), is_string(...));
        $this->teller->over($stored, NoticeKind::Calibration, array_values($past));
    }

    /** @return list<Instrument> */
    private static function instruments(StoredInstallation $stored): array
    {
        $problems = new Problems();

        return array_values(
            $stored
                ->entries()
                ->where('kind', 'instrument')
                ->get()
                ->map(
                    static fn (StoredEntry $entry): Instrument => TestingCodec::instrument(
                        Fields::from($entry->definition, 'instruments.'.$entry->key, $problems),
                    ),
                )
                ->all(),
        );
    }

    /** @return list<string> who measured with it lately; where nobody did, whoever tests and the lead */
    private function users(StoredInstallation $stored, Instrument $instrument): array
    {
        $with = $stored->events()->toBase()->reorder();
        $with->join('users', 'users.id', '=', 'user_id');
        $with->where('kind', 'tested')->where('events.created_at', '>', now()->subDays(self::LATELY));
        $with->whereRaw("jsonb_exists((definition->'with')::jsonb, ?)", [$instrument->id]);
        $people = array_values(array_filter($with->distinct()->pluck('users.key')->all(), is_string(...)));
        if ($people !== []) {
            return $people;
        }
        foreach ($stored->atWork()->get() as $member) {
            array_push($people, ...$member->hasRole(Role::Tester, Role::Lead) ? [$member->user->key] : []);
        }

        return $people;
    }
}
