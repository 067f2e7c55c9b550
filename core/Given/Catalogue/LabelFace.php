<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\LabelForm;

/** The measures of a label, laid flat. */
final readonly class LabelFace
{
    /**
     * @param  Length  $width  along the cable, or across a tag
     * @param  Length  $height  round the cable, the clear tail included
     * @param  Length  $printed  how much of the height takes print
     */
    public function __construct(
        public LabelForm $form,
        public Length $width,
        public Length $height,
        public Length $printed,
    ) {
    }

    /** What is left to go over the print. */
    public function tail(): Length
    {
        return $this->height->minus($this->printed);
    }
}
