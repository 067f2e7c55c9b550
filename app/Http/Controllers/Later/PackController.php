<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Errands\ErrandKind;
use App\Errands\Errands;
use App\Handover\PackDesk;
use App\Handover\Sums;
use App\Handover\Verification;
use App\Http\Requests\Ends\UnitsAsked;
use App\Http\Requests\Later\Signature;
use App\Http\Resources\ErrandLines;
use App\Http\Resources\ErrandResource;
use App\Models\Membership;
use App\Models\Pack;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Loaded;
use App\Recording\Against;
use App\Recording\Recorder;
use App\Recording\Refused;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\EventKind;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * Hand-over packs: made while one watches, signed, and given out.
 *
 * @phpstan-import-type ErrandLine from ErrandResource
 *
 * @phpstan-type PackLine array{
 *     number: int,
 *     who: string,
 *     at: string,
 *     digest: string,
 *     gaps: int,
 *     pages: int,
 *     files: list<array{name: string, sha256: string, bytes: int}>,
 *     signatures: list<array{
 *         name: string,
 *         signIn: string,
 *         role: string,
 *         at: string,
 *         key?: string,
 *     }>,
 * }
 * @phpstan-type PackChecked array{
 *     holds: bool,
 *     problems: list<string>,
 *     signed: list<string>,
 *     digest: string,
 *     key: string,
 * }
 */
final readonly class PackController
{
    public function __construct(private PackDesk $desk)
    {
    }

    /** @return Answer<list<PackLine>> */
    public function index(StoredInstallation $stored): Answer
    {
        return new Answer(
            array_values(
                $stored->packs()->with('user')->get()->map(static fn (Pack $pack): array => self::line($pack))->all(),
            ),
        );
    }

    /**
     * Asks for one: a worker makes it, and the errand tells how far that is, and which number it has in the end.
     *
     * @return Answer<ErrandLine>
     */
    public function store(
        #[Query(UnitsAsked::class)] UnitsAsked $asked,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Errands $errands,
        ErrandLines $lines,
    ): Answer {
        if ($stored->runs()->toBase()->reorder()->where('withdrawn', false)->doesntExist()) {
            throw Refused::because('There is nothing to hand over: no cable is planned. A pack would say nothing.');
        }
        $errand = $errands->ask($stored, $user, ErrandKind::Pack, ['units' => $asked->units->value]);

        return new Answer($lines->one($errand, $user), 202);
    }

    /** @return Answer<PackLine> */
    public function sign(
        #[Body(Signature::class)] Signature $sent,
        Membership $member,
        StoredInstallation $stored,
        Container $container,
        Recorder $recorder,
        int $number,
    ): Answer {
        $role = $sent->role->value;
        abort_unless(
            in_array($role, $member->roles, true),
            422,
            'You sign as what you are here: '.implode(' or ', $member->roles).'.',
        );
        $found = self::find($stored, $number);
        $on = new Against($stored, static fn (): Loaded => $container->make(Loaded::class));
        $pack = DB::transaction(function () use ($found, $member, $role, $on, $recorder): Pack {
            $pack = $this->desk->sign($found, $member->user, $role);
            if ($role === 'lead') {
                self::signOff($on, $member, $recorder);
            }

            return $pack;
        });

        return new Answer(self::line($pack->load('user')), 201);
    }

    /** What the lead signs for is signed off, cable by cable, where it is tested: each loses it for itself. */
    private static function signOff(Against $on, Membership $member, Recorder $recorder): void
    {
        $all = [];
        foreach ($on->standings() as $assembly) {
            foreach ($assembly->runs as $id => $run) {
                if (! $run->withdrawn && $run->at(Stage::Test) === BeadState::Done && ! $run->isDone(Stage::Signed)) {
                    $all[] = [
                        'id' => (string) Str::uuid(),
                        'kind' => EventKind::SignedOff->value,
                        'run' => (string) $id,
                        'on' => $assembly->basis,
                    ];
                }
            }
        }
        $recorder->recordAll($on, $member, $all);
    }

    public function zip(StoredInstallation $stored, int $number): BinaryFileResponse
    {
        $pack = self::find($stored, $number);
        $name = sprintf('%s-pack-%d.zip', preg_replace('~[^A-Za-z0-9._-]~', '-', $stored->key), $pack->number);

        return response()
            ->download($this->desk->zip($pack), $name, [
                'Content-Type' => 'application/zip',
                'Cache-Control' => 'private, no-store',
            ])
            ->deleteFileAfterSend();
    }

    public function file(StoredInstallation $stored, int $number, string $name): Response|BinaryFileResponse
    {
        $pack = self::find($stored, $number);
        if ($name === Sums::SIGNATURES) {
            return new Response(PackDesk::signatures($pack), 200, ['Content-Type' => 'application/json']);
        }
        abort_unless(isset($pack->files[$name]) || $name === Sums::FILE, 404, 'There is no such file in this pack.');
        $type =
            ['pdf' => 'application/pdf', 'json' => 'application/json', 'csv' => 'text/csv; charset=UTF-8'][
                pathinfo($name, PATHINFO_EXTENSION)
            ] ?? 'text/plain; charset=UTF-8';

        return response()->file(PackDesk::disk()->path($pack->folder.'/'.$name), [
            'Content-Type' => $type,
            'X-Content-Type-Options' => 'nosniff',
            'Cache-Control' => 'private, no-store',
        ]);
    }

    /**
     * Reads all of it again and says whether it is what was signed.
     *
     * @return Answer<PackChecked>
     */
    public function check(StoredInstallation $stored, int $number): Answer
    {
        $path = $this->desk->zip(self::find($stored, $number));
        try {
            $result = Verification::of($path);
        } finally {
            @unlink($path);
        }

        return new Answer([
            'holds' => $result->holds(),
            'problems' => $result->problems,
            'signed' => $result->signed,
            'digest' => $result->digest,
            'key' => $result->key,
        ]);
    }

    private static function find(StoredInstallation $stored, int $number): Pack
    {
        return $stored->packs()->where('number', $number)->first() ?? abort(404, 'There is no such pack.');
    }

    /** @return PackLine */
    private static function line(Pack $pack): array
    {
        return [
            'number' => $pack->number,
            'who' => $pack->user->name,
            'at' => $pack->created_at,
            'digest' => $pack->digest,
            'gaps' => $pack->gaps,
            'pages' => $pack->pages,
            'files' => array_map(
                static fn (string $name, array $file): array => [
                    'name' => $name,
                    'sha256' => $file['sha256'],
                    'bytes' => $file['bytes'],
                ],
                Names::from($pack->files),
                $pack->files,
            ),
            'signatures' => array_map(
                static fn (array $signature): array => [
                    'name' => $signature['name'],
                    'signIn' => $signature['signIn'],
                    'role' => $signature['role'],
                    'at' => $signature['at'],
                    ...isset($signature['key']) ? ['key' => $signature['key']] : [],
                ],
                $pack->signatures,
            ),
        ];
    }
}
