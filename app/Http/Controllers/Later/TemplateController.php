<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Formats\BadLine;
use App\Formats\FileExporter;
use App\Formats\FileImporter;
use App\Http\LastOpened;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Loaded;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Proof\Record\Record;

/**
 * The next installation, begun from this one: its rules and types, or its building and cables too; never what was done.
 */
final readonly class TemplateController
{
    public function __construct(private FileExporter $exporter, private FileImporter $importer)
    {
    }

    public function __invoke(
        Request $request,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): JsonResponse {
        $request->validate(
            [
                'name' => 'required|string|max:120',
                'key' => ['required', 'string', 'max:60', 'regex:~^[a-z0-9][a-z0-9-]*$~'],
                'building' => 'boolean',
                'runs' => 'boolean',
            ],
            [
                'key.regex' => 'Use small letters, digits and hyphens, such as "lock-gallery".',
            ],
        );
        $key = $request->string('key')->toString();
        if (StoredInstallation::query()->where('key', $key)->exists()) {
            throw BadLine::because('key', $key, 'There is an installation of this name already. Choose another.');
        }
        $file = $this->exporter->export($loaded);
        $template = self::of(
            $file->installation,
            $key,
            $request->string('name')->trim()->toString(),
            $request->boolean('building') || $request->boolean('runs'),
            $request->boolean('runs'),
        );
        $made = $this->importer->import(new InstallationFile($template, new Record(), $file->people));
        // Types of the house's own travel with it, whether a run uses them yet or not.
        foreach ($stored->entries()->whereIn('kind', array_column(DecisionKind::types(), 'value'))->get() as $type) {
            $made->entries()->create([
                'installation_id' => $made->id,
                'kind' => $type->kind,
                'key' => $type->key,
                'definition' => $type->definition,
            ]);
        }
        $made->crew()->syncWithoutDetaching([$user->id]);
        LastOpened::put($user, $made);

        return response()->json(['id' => $made->id, 'address' => $made->address, 'name' => $made->name], 201);
    }

    private static function of(Installation $in, string $key, string $name, bool $building, bool $runs): Installation
    {
        // A panel stays where it is, with nothing in it where no runs come along.
        $bare = static fn (Panel $panel): Panel => new Panel(...['places' => []] + get_object_vars($panel));

        return new Installation(
            $key,
            $name,
            $in->rules(),
            $in->catalogue,
            $building ? $in->locations() : [],
            $building ? $in->ways() : [],
            $runs ? $in->looms() : [],
            $runs ? $in->circuits() : [],
            $building ? $in->equipment() : [],
            $runs ? $in->fittings() : [],
            $runs ? $in->runs() : [],
            $runs ? $in->matings() : [],
            $runs ? $in->splices() : [],
            $runs ? $in->links() : [],
            $runs ? $in->switches() : [],
            $building ? $in->junctions() : [],
            $building ? array_map($runs ? static fn (Panel $panel): Panel => $panel : $bare, $in->panels()) : [],
            economy: $in->economy(),
            workshop: $in->workshop(),
            testing: $in->testing(),
            instruments: $in->instruments(),
        );
    }
}
