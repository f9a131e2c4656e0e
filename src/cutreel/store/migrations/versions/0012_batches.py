"""Films that are made one after another, unattended."""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "batches",
        sa.Column("id", sa.String(12), primary_key=True),
        sa.Column("name", sa.Text, nullable=False),
        sa.Column("most", sa.Numeric(14, 5)),
        sa.Column("until", sa.DateTime(timezone=True)),
        sa.Column("state", sa.String(10), nullable=False),
        sa.Column("says", sa.Text, nullable=False, server_default=""),
        sa.Column("created", sa.DateTime(timezone=True), nullable=False),
    )
    op.create_table(
        "batch_films",
        sa.Column(
            "batch", sa.String(12), sa.ForeignKey("batches.id", ondelete="CASCADE"), primary_key=True
        ),
        sa.Column("film", sa.String(12), sa.ForeignKey("films.id"), primary_key=True),
        sa.Column("place", sa.Integer, nullable=False),
        sa.Column("run", sa.String(12), sa.ForeignKey("runs.id")),
        sa.Column("says", sa.Text, nullable=False, server_default=""),
        sa.Column("looked", sa.DateTime(timezone=True)),
    )


def downgrade() -> None:
    op.drop_table("batch_films")
    op.drop_table("batches")
