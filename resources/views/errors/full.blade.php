<x-error title="Out of disk space" :what="$told" />
