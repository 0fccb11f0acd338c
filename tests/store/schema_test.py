"""Exports and shipped files keep to the documented JSON schemas, and the schemas can refuse.

Usage: schema_test.py SOURCE_FOLDER GLIMMET_CLI
"""
import json
import pathlib
import subprocess
import sys
import tempfile

import jsonschema

source = pathlib.Path(sys.argv[1])
cli = sys.argv[2]


def load(path):
    return json.loads((source / path).read_text(encoding="utf-8"))


def refused(schema, document):
    return any(jsonschema.Draft202012Validator(schema).iter_errors(document))


for older in ("job-1", "job-2", "job-3", "catalogue-1", "catalogue-2"):
    jsonschema.Draft202012Validator.check_schema(load(f"docs/schema/{older}.schema.json"))
job_schema = load("docs/schema/job.schema.json")
catalogue_schema = load("docs/schema/catalogue.schema.json")
jsonschema.Draft202012Validator.check_schema(job_schema)
jsonschema.Draft202012Validator.check_schema(catalogue_schema)
jsonschema.validate(load("resources/catalogue/catalogue.json"), catalogue_schema)
for body in sorted((source / "resources/bodies").glob("*.json")):
    jsonschema.validate(json.loads(body.read_text(encoding="utf-8")), catalogue_schema)

with tempfile.TemporaryDirectory() as folder:
    for name in ("ling", "tern", "kittiwake"):
        workshop = pathlib.Path(folder) / f"{name}.glimmet"
        subprocess.run([cli, "import", workshop, source / f"demo/{name}.json"], check=True)
        exported = subprocess.run([cli, "export", workshop], check=True, capture_output=True).stdout
        document = json.loads(exported)
        jsonschema.validate(document, job_schema)

        # What the schema refuses the program refuses too, and the other way round.
        def broken(change):
            copy = json.loads(exported)
            change(copy)
            path = pathlib.Path(folder) / "broken.json"
            path.write_text(json.dumps(copy), encoding="utf-8")
            program = subprocess.run([cli, "check", path], capture_output=True).returncode
            assert refused(job_schema, copy), change
            assert program == 2, (change, program)

        broken(lambda d: d.update(extra=1))
        broken(lambda d: d.pop("scale"))
        broken(lambda d: d.update(feed="steam"))
        broken(lambda d: d["units"][0]["motors"][0]["readings"][0].update(amps_A=-1))
        broken(lambda d: d["groups"][0]["rows"][0].update(lamps=[]))
        broken(lambda d: d["groups"][0]["connection"].update(kind="woven"))
        broken(lambda d: d["groups"][0]["rows"][0]["lamps"][0]["part"].update(vf_V=2.0, at_A=None))
        broken(lambda d: d["units"][0]["body"].update(profile_mm=[[0, 0]]))
        broken(lambda d: d["decoder"]["part"]["outputs"][0].update(kind="magic"))

print("the exports keep to the schema")
