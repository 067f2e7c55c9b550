<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;

/** Everything about one installation, in one file: what was decided, what was done, and by whom. */
final readonly class InstallationFile implements FileContents
{
    public const FORMAT = 'sartal-installation';

    public const VERSION = 1;

    public const JSON =
        JSON_PRETTY_PRINT |
        JSON_UNESCAPED_SLASHES |
        JSON_UNESCAPED_UNICODE |
        JSON_PRESERVE_ZERO_FRACTION |
        JSON_THROW_ON_ERROR;

    /** @param  list<Person>  $people */
    public function __construct(public Installation $installation, public Record $record, public array $people)
    {
    }

    /** @throws InvalidDocument naming everything that is wrong with it */
    public static function parse(string $json): self
    {
        if (str_starts_with($json, "\xEF\xBB\xBF")) {
            $json = substr($json, 3);
        }
        $data = json_decode($json, true, 64);
        if (! is_array($data)) {
            throw InvalidDocument::because(
                'file',
                substr($json, 0, 40),
                'is not JSON ('.
                    json_last_error_msg().
                    '). Choose a file that Sartal exported, or see docs/formats.md.',
            );
        }

        return FileDecoder::file($data);
    }

    public function installation(): Installation
    {
        return $this->installation;
    }

    public function people(): array
    {
        return $this->people;
    }

    /** @return list<Event> */
    public function events(): array
    {
        return $this->record->events();
    }

    public function print(): string
    {
        return json_encode(FileEncoder::file($this), self::JSON)."\n";
    }
}
