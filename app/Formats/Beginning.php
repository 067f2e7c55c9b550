<?php

declare(strict_types=1);

namespace App\Formats;

use App\Http\LastOpened;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Who\Entry;
use App\Who\Logbook;
use Sartal\Core\File\FileContents;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;

/** Installations as they begin. Whoever begins one leads and plans it, until they give that to somebody else. */
final readonly class Beginning
{
    public function __construct(private FileImporter $importer)
    {
    }

    /** Nothing decided, nothing done, house rules as they ship. */
    public function empty(User $by, string $key, string $name): StoredInstallation
    {
        return $this->from(self::bare($key, $name), $by, 'empty', crew: false);
    }

    /** @param  array<array-key, mixed>  $more  members of such a file */
    public static function bare(string $key, string $name, array $more = []): InstallationFile
    {
        $bare = [
            'format' => InstallationFile::FORMAT,
            'version' => InstallationFile::VERSION,
            'installation' => ['id' => $key, 'name' => $name],
        ];

        return InstallationFile::parse(json_encode($bare + $more, JSON_THROW_ON_ERROR));
    }

    /** A sample that ships, to try things on, with none of its people at work. */
    public function sample(User $by, string $key, string $name, Sample $sample): StoredInstallation
    {
        return $this->from($sample->file($key, $name), $by, 'from a sample: '.$sample->name(), crew: false);
    }

    /**
     * @param  ?callable(): void  $tell  now and then
     *
     * @throws InvalidDocument naming everything that is wrong with it
     */
    public function from(
        FileContents $file,
        User $by,
        string $how,
        bool $crew,
        ?callable $tell = null,
    ): StoredInstallation {
        $made = $this->importer->import($file, $by->organisation()->firstOrFail(), $crew, $tell);
        $own = $made->memberships()->where('user_id', $by->id)->first();
        $made->take(
            $by,
            array_values(array_unique([...$crew ? $own->roles ?? [] : [], Role::Planner->value, Role::Lead->value])),
            $own->skills ?? [],
        );
        LastOpened::put($by, $made);
        Logbook::write(Entry::Installation, sprintf('%s begun %s', $made->name, $how), $by, $made);

        return $made;
    }
}
